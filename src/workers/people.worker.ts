import { readCsvPeople, readCsvTable, readVCards, writeVCards, type CsvTable } from '@/core/peopleFiles';

import type { PeopleAnswer, PeopleTask } from './peopleFile';

const post = (answer: PeopleAnswer) => self.postMessage(answer);
const onProgress = (share: number) => post({ kind: 'progress', share });
let table: CsvTable | null = null;

/** Reads and writes people beside the page. To stop it, the page ends it. */
self.onmessage = ({ data }: MessageEvent<PeopleTask>) => {
  if (data.kind === 'columns') {
    if (table) post({ kind: 'people', read: readCsvPeople(table, data.fields, onProgress) });
    return;
  }
  if (data.kind === 'write') {
    post({ kind: 'written', text: writeVCards(data.people) });
    return;
  }
  const text = decoded(data.bytes);
  if (/^\uFEFF?\s*BEGIN:VCARD/i.test(text)) {
    post({ kind: 'people', read: readVCards(text, onProgress) });
    return;
  }
  const read = readCsvTable(text);
  if ('problem' in read) {
    post({ kind: 'people', read: { people: [], problems: [read.problem] } });
    return;
  }
  table = read;
  const { columns, fields, rows } = read;
  post({ kind: 'table', columns, fields, sample: rows.slice(0, 3), count: rows.length });
};

/** UTF-8 where it is that, else the code page that older programs write. */
function decoded(bytes: ArrayBuffer): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
