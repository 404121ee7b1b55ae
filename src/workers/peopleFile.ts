import type { OwnContact } from '@/core/people';
import type { CsvField, ReadPeople } from '@/core/peopleFiles';

export type PeopleTask =
  | { kind: 'file'; bytes: ArrayBuffer }
  | { kind: 'columns'; fields: CsvField[] }
  | { kind: 'write'; people: readonly OwnContact[] };

export type PeopleAnswer =
  | { kind: 'progress'; share: number }
  /** A table whose columns are to be said or confirmed. */
  | { kind: 'table'; columns: string[]; fields: CsvField[]; sample: string[][]; count: number }
  | { kind: 'people'; read: ReadPeople }
  | { kind: 'written'; text: string };

interface ReadingFile {
  /** For a table: what each column holds; the people come then. */
  readColumns: (fields: CsvField[]) => void;
  stop: () => void;
}

/** Reads a file of people in a worker: vCards at once, a table once its columns are said. */
export function readPeopleFile(
  bytes: ArrayBuffer,
  onAnswer: (answer: PeopleAnswer) => void,
  onFailure: () => void,
): ReadingFile {
  const worker = new Worker(new URL('./people.worker', window.location.href));
  const send = (task: PeopleTask) => worker.postMessage(task);
  worker.onmessage = ({ data }: MessageEvent<PeopleAnswer>) => onAnswer(data);
  worker.onerror = () => {
    worker.terminate();
    onFailure();
  };
  send({ kind: 'file', bytes });
  return { readColumns: (fields) => send({ kind: 'columns', fields }), stop: () => worker.terminate() };
}

/** People as a file of vCards, written in a worker. Rejects where the worker can't be fetched now. */
export function writePeopleFile(people: readonly OwnContact[]): Promise<string> {
  return new Promise((resolve, reject) => {
    const worker = new Worker(new URL('./people.worker', window.location.href));
    worker.onmessage = ({ data }: MessageEvent<PeopleAnswer>) => {
      worker.terminate();
      if (data.kind === 'written') resolve(data.text);
    };
    worker.onerror = () => {
      worker.terminate();
      reject(new Error('The vCards could not be written'));
    };
    const task: PeopleTask = { kind: 'write', people };
    worker.postMessage(task);
  });
}
