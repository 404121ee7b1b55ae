import type { Numbering } from '@/core/numbers/numbering';
import type { Fields, PeopleBlock } from '@/core/people/contacts';
import type { CsvField, Problem, Written } from '@/core/people/files';

export type PeopleFormat = 'vcard' | 'csv';

export type PeopleTask =
  /** Who is here already, before the file: whoever is told of alike is not taken in again. */
  | { kind: 'known'; people: readonly Fields[] }
  | { kind: 'file'; bytes: ArrayBuffer; numbering: Numbering }
  | { kind: 'columns'; fields: CsvField[] }
  /** What was read is handed over, under ids that begin so. */
  | { kind: 'take'; stem: string }
  | { kind: 'write'; format: PeopleFormat; people: readonly Written[]; isLast: boolean };

export type PeopleAnswer =
  | { kind: 'progress'; share: number }
  /** A table whose columns are to be said or confirmed. */
  | { kind: 'table'; columns: string[]; fields: CsvField[]; sample: string[][]; count: number }
  | ({ kind: 'read' } & WhatWasRead)
  /** With whose photo could not be read, so far. */
  | { kind: 'taken'; blocks: PeopleBlock[]; isLast: boolean; withoutPhoto: string[] }
  | { kind: 'written'; text: string };

/** What a file holds, before it is taken in. The people stay in the worker. */
export interface WhatWasRead {
  /** How many can be added, and everybody's name with a number, in the order of the file. */
  count: number;
  people: { name: string; detail: string }[];
  /** How many are here already, told of alike. */
  known: number;
  /** The first of them. */
  problems: Problem[];
  problemCount: number;
}

/** A file of people that is being read. */
export interface ReadingFile {
  /** For a table: what each column holds; it is read then. */
  readColumns: (fields: CsvField[]) => void;
  /** Asks for what was read: it comes as `taken`, some blocks at a time, so that no frame waits. */
  take: (stem: string) => void;
  stop: () => void;
}

/** So many are handed to the worker at once. */
const chunk = 1_000;

const newWorker = () => new Worker(new URL('./people.worker', window.location.href));

/** Reads a file of people in a worker: vCards at once, a table once its columns are said. */
export function readPeopleFile(
  bytes: ArrayBuffer,
  known: readonly Fields[],
  numbering: Numbering,
  onAnswer: (answer: PeopleAnswer) => void,
  onFailure: () => void,
): ReadingFile {
  const worker = newWorker();
  const send = (task: PeopleTask) => worker.postMessage(task);
  worker.onmessage = ({ data }: MessageEvent<PeopleAnswer>) => onAnswer(data);
  worker.onerror = () => {
    worker.terminate();
    onFailure();
  };
  let isStopped = false;
  const hand = (from: number) => {
    if (isStopped) return;
    if (from >= known.length) {
      worker.postMessage({ kind: 'file', bytes, numbering } satisfies PeopleTask, [bytes]);
      return;
    }
    send({ kind: 'known', people: known.slice(from, from + chunk) });
    // A turn of its own for each, so that no frame waits.
    setTimeout(() => hand(from + chunk));
  };
  hand(0);
  return {
    readColumns: (fields) => send({ kind: 'columns', fields }),
    take: (stem) => send({ kind: 'take', stem }),
    stop: () => {
      isStopped = true;
      worker.terminate();
    },
  };
}

/** People as a file, written in a worker. Rejects where the worker can't be fetched now. */
export function writePeopleFile(format: PeopleFormat, people: readonly Written[]): Promise<string> {
  return new Promise((resolve, reject) => {
    const worker = newWorker();
    worker.onmessage = ({ data }: MessageEvent<PeopleAnswer>) => {
      worker.terminate();
      if (data.kind === 'written') resolve(data.text);
    };
    worker.onerror = () => {
      worker.terminate();
      reject(new Error('The people could not be written'));
    };
    const hand = (from: number) => {
      const isLast = from + chunk >= people.length;
      const task: PeopleTask = { kind: 'write', format, people: people.slice(from, from + chunk), isLast };
      worker.postMessage(task);
      if (!isLast) setTimeout(() => hand(from + chunk));
    };
    hand(0);
  });
}
