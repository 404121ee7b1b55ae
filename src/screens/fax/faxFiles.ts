import { readPageChoice } from '@/core/inbox/pageChoice';
import type { FaxSource } from '@/core/inbox/faxPages';
import type { Line } from '@/core/setup';
import { formatDay, formatClock } from '@/core/shared/time';
import {
  formatAny,
  selectOffice,
  selectZone,
  type AppDispatch,
  type RootState,
  type Services,
} from '@/state/app';
import { writeFax } from '@/state/inbox';

import { shrinkPicture } from '../looseEnds/shrinkPicture';

/** One file of a fax that is being written. */
export interface FaxFile {
  name: string;
  pages: number;
  source: FaxSource;
  /** Which of them go, as it was typed; empty: all. */
  choice: string;
}

/** The pages of a file that go; those of a choice that can't be read are all of them. */
export function chosenPages({ pages, choice }: FaxFile): { pages: number[]; problem: string | null } {
  const read = readPageChoice(choice, pages);
  if (read.ok) return { pages: read.pages, problem: null };
  return { pages: Array.from({ length: pages }, (_, at) => at + 1), problem: read.sentence };
}

/** A page is sent 1728 points across: larger pictures are made so, and each file stays small. */
const forFax = { mostBytes: 1_500_000, sides: [2444, 1728, 1280] };

/** The PDF library, which only who sends a fax fetches. */
const fetchPages = () => import('@/core/inbox/faxPages');
const notFetched = 'What makes the pages has not been fetched, and there is no network now.';

/** Reads a file that was chosen: a PDF as it is, any picture as JPEG. */
export async function readFaxFile(
  file: File,
): Promise<{ ok: true; file: FaxFile } | { ok: false; sentence: string }> {
  const pages = await fetchPages().catch(() => null);
  if (!pages) return { ok: false, sentence: notFetched };
  const bytes = new Uint8Array(await file.arrayBuffer());
  const title = file.name.replace(/\.\w+$/, '');
  if (pages.faxSourceKind(bytes) === 'pdf') {
    const read = await pages.readFaxPdf(bytes);
    if (!read.ok) return { ok: false, sentence: `${file.name}: ${read.sentence}` };
    return {
      ok: true,
      file: { name: title, pages: read.pages, choice: '', source: { kind: 'pdf', name: title, bytes } },
    };
  }
  const shrunk = await shrinkPicture(file, forFax);
  if (!shrunk.ok)
    return { ok: false, sentence: `${file.name} is neither a PDF nor a picture that can be read.` };
  const picture = new Uint8Array(await shrunk.file.arrayBuffer());
  const source = { kind: 'jpeg', name: title, bytes: picture } as const;
  return { ok: true, file: { name: title, pages: 1, choice: '', source } };
}

const notTaken = 'The office did not take the fax. It is as you left it: try once more.';

type Sent = { ok: true; id: string } | { ok: false; sentence: string };

/** Joins the files, heads each page with who sends it and when, and puts the fax into the queue. */
export const sendFaxFiles =
  (number: string, line: Line, files: readonly FaxFile[]) =>
  async (dispatch: AppDispatch, getState: () => RootState, { clock }: Services): Promise<Sent> => {
    const pages = await fetchPages().catch(() => null);
    if (!pages) return { ok: false, sentence: notFetched };
    const made = await pages.joinFaxPages(
      files.map((file) => ({ ...file.source, pages: chosenPages(file).pages })),
    );
    if (!made.ok) return made;
    const now = clock.now();
    const zone = selectZone(getState());
    const { setup, plan } = selectOffice(getState());
    const sender = `${setup.name}  ${formatAny(line.number, plan)}`;
    const pdf = await pages.withHeader(
      made.pdf,
      sender,
      `${formatDay(now, 0, zone)} ${formatClock(now, zone)}`,
    );
    const title = files.length === 1 ? (files[0]?.name ?? 'Fax') : `${files[0]?.name ?? 'Fax'} and more`;
    const id = await dispatch(writeFax({ number, lineId: line.id, title, pages: made.pages, pdf }));
    return id === null ? { ok: false, sentence: notTaken } : { ok: true, id };
  };
