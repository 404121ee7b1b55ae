import { base64ToUint8Array, uint8ArrayToBase64 } from 'uint8array-extras';

import { numberingPlan, ukNumbering, type NumberingPlan } from '@/core/numbers/numbering';
import { fullBlock, ownSource, type Card, type Fields, type PeopleBlock } from '@/core/people/contacts';
import {
  readCsvPeople,
  readCsvTable,
  readVCards,
  signatureOf,
  writeCsvPeople,
  writeVCards,
  type CsvTable,
  type ReadPeople,
  type Written,
} from '@/core/people/files';

import type { PeopleAnswer, PeopleTask } from './peopleFile';

const post = (answer: PeopleAnswer) => self.postMessage(answer);
let told = 0;
/** Told in steps that can be seen: each is drawn. */
const onProgress = (share: number) => {
  if (Math.abs(share - told) < 0.04) return;
  told = share;
  post({ kind: 'progress', share });
};
const mostProblems = 200;
/** So many blocks go to the page at once: it draws between them. */
const blocksAtOnce = 4;

let table: CsvTable | null = null;
let plan: NumberingPlan = numberingPlan(ukNumbering);
let read: Fields[] = [];
let toWrite: Written[] = [];
const known = new Set<string>();
let withoutPhoto: string[] = [];

/** Reads and writes people beside the page. To stop it, the page ends it. */
self.onmessage = ({ data }: MessageEvent<PeopleTask>) => {
  switch (data.kind) {
    case 'known':
      for (const person of data.people) known.add(signatureOf(person));
      return;
    case 'file':
      plan = numberingPlan(data.numbering);
      readFile(data.bytes);
      return;
    case 'columns':
      if (table) tell(readCsvPeople(table, data.fields, plan, onProgress));
      return;
    case 'take':
      void handOver(data.stem);
      return;
    case 'write':
      toWrite = toWrite.concat(data.people);
      if (data.isLast)
        post({
          kind: 'written',
          text: data.format === 'csv' ? writeCsvPeople(toWrite) : writeVCards(toWrite),
        });
  }
};

function readFile(bytes: ArrayBuffer): void {
  const text = decoded(bytes);
  if (/^\uFEFF?\s*BEGIN:VCARD/i.test(text)) {
    tell(readVCards(text, plan, onProgress));
    return;
  }
  const csv = readCsvTable(text);
  if ('problem' in csv) {
    tell({ people: [], problems: [csv.problem] });
    return;
  }
  table = csv;
  const { columns, fields, rows } = csv;
  post({ kind: 'table', columns, fields, sample: rows.slice(0, 3), count: rows.length });
}

function tell({ people, problems }: ReadPeople): void {
  read = people.filter((person) => !known.has(signatureOf(person)));
  post({
    kind: 'read',
    count: read.length,
    people: read.map(({ name, firm, numbers }) => ({ name, detail: numbers[0]?.number ?? firm ?? '' })),
    known: people.length - read.length,
    problems: problems.slice(0, mostProblems),
    problemCount: problems.length,
  });
}

async function handOver(stem: string): Promise<void> {
  withoutPhoto = [];
  const size = fullBlock * blocksAtOnce;
  for (let from = 0; from < read.length; from += size) {
    const blocks: PeopleBlock[] = [];
    for (let at = from; at < Math.min(read.length, from + size); at += fullBlock) {
      const cards = read.slice(at, Math.min(at + fullBlock, from + size));
      blocks.push({
        id: `${stem}-${at / fullBlock}`,
        cards: await Promise.all(cards.map((fields, index) => asCard(fields, `${stem}-${at + index}`))),
      });
    }
    post({ kind: 'taken', blocks, isLast: from + size >= read.length, withoutPhoto });
  }
}

async function asCard(fields: Fields, id: string): Promise<Card> {
  const photo = fields.photo === null ? null : await shrunk(fields.photo);
  if (fields.photo !== null && photo === null) withoutPhoto.push(fields.name);
  return { ...fields, photo, id, sourceId: ownSource, sourceKey: null };
}

const photoSize = 160;

/** The bytes of a data URL, which the page's policy lets nobody fetch (docs/decisions/007). Throws where they are not base64. */
function blobOf(url: string): Blob {
  const [, type, text] = /^data:([^;,]+)(?:;[^,]*)?;base64,(.*)$/s.exec(url) ?? [];
  if (text === undefined) throw new Error('No base64');
  return new Blob([base64ToUint8Array(text) as BlobPart], { type });
}

/** A photo no larger than it is shown; null where it is no picture that can be read. */
async function shrunk(url: string): Promise<string | null> {
  try {
    const picture = await createImageBitmap(blobOf(url));
    const share = Math.min(1, photoSize / Math.min(picture.width, picture.height));
    const canvas = new OffscreenCanvas(Math.ceil(picture.width * share), Math.ceil(picture.height * share));
    canvas.getContext('2d')?.drawImage(picture, 0, 0, canvas.width, canvas.height);
    const bytes = new Uint8Array(
      await (await canvas.convertToBlob({ type: 'image/jpeg', quality: 0.8 })).arrayBuffer(),
    );
    return `data:image/jpeg;base64,${uint8ArrayToBase64(bytes)}`;
  } catch {
    return null;
  }
}

/** UTF-8 where it is that, else the code page that older programs write. */
function decoded(bytes: ArrayBuffer): string {
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
