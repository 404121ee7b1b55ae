import { PDFDocument, StandardFonts, rgb, type PDFPage } from 'pdf-lib';

import { mostPages } from '@/core/inbox/fax';

/** A4 in points (1/72 inch). */
const a4 = { width: 595.28, height: 841.89 };
const marginPoints = 24;
const headerPoints = 9;
const mostBytes = 20_000_000;

export interface FaxSource {
  kind: 'pdf' | 'jpeg' | 'png';
  name: string;
  bytes: Uint8Array;
  /** Which of a PDF's pages go, from 1 on; left out: all. */
  pages?: readonly number[];
}

export type MadePages = { ok: true; pdf: Uint8Array; pages: number } | { ok: false; sentence: string };

/** What a file is, by its first bytes, whatever its name says; null where it is neither PDF nor JPEG nor PNG. */
export function faxSourceKind(bytes: Uint8Array): FaxSource['kind'] | null {
  const starts = (...wanted: number[]) => wanted.every((byte, at) => bytes[at] === byte);
  if (starts(0x25, 0x50, 0x44, 0x46)) return 'pdf';
  if (starts(0xff, 0xd8, 0xff)) return 'jpeg';
  if (starts(0x89, 0x50, 0x4e, 0x47)) return 'png';
  return null;
}

/** How many pages a PDF has, or why it can't be read. */
export async function readFaxPdf(bytes: Uint8Array): Promise<MadePages> {
  const document = await open(bytes);
  if (typeof document === 'string') return { ok: false, sentence: document };
  return { ok: true, pdf: bytes, pages: document.getPageCount() };
}

/** The pages of several files in their order, on A4, as one PDF. */
export async function joinFaxPages(sources: readonly FaxSource[]): Promise<MadePages> {
  if (sources.length === 0) return { ok: false, sentence: 'There is no page to send yet.' };
  const joined = await PDFDocument.create();
  for (const source of sources) {
    const problem = await add(joined, source);
    if (problem !== null) return { ok: false, sentence: `${source.name}: ${problem}` };
  }
  const pages = joined.getPageCount();
  if (pages > mostPages)
    return { ok: false, sentence: `That is ${pages} pages; one fax takes at most ${mostPages}.` };
  return { ok: true, pdf: await joined.save(), pages };
}

/** The line at the top of each page: who sends, when, and which page it is (47 CFR 68.318(d) asks for them). */
export async function withHeader(pdf: Uint8Array, sender: string, when: string): Promise<Uint8Array> {
  const document = await PDFDocument.load(pdf);
  const font = await document.embedFont(StandardFonts.Courier);
  const pages = document.getPages();
  pages.forEach((page, index) => {
    const text = latin(`${when}   ${sender}   ${index + 1}/${pages.length}`);
    const { width, height } = page.getSize();
    const top = height - headerPoints - 4;
    page.drawRectangle({ x: 0, y: top - 4, width, height: headerPoints + 8, color: rgb(1, 1, 1) });
    page.drawText(text, { x: marginPoints, y: top, size: headerPoints, font });
  });
  return document.save();
}

/** The standard fonts know Western European letters only. */
const latin = (text: string) => text.replace(/[^\x20-\x7e\xa0-\xff]/g, '?');

async function add(joined: PDFDocument, { kind, bytes, pages }: FaxSource): Promise<string | null> {
  if (bytes.length > mostBytes) return 'it is larger than 20 MB.';
  if (kind === 'pdf') {
    const document = await open(bytes);
    if (typeof document === 'string') return document;
    const all = document.getPageIndices();
    const chosen = pages ? all.filter((index) => pages.includes(index + 1)) : all;
    for (const page of await joined.copyPages(document, chosen)) joined.addPage(page);
    return null;
  }
  try {
    const picture = kind === 'jpeg' ? await joined.embedJpg(bytes) : await joined.embedPng(bytes);
    const isWide = picture.width > picture.height;
    const page = joined.addPage(isWide ? [a4.height, a4.width] : [a4.width, a4.height]);
    place(page, picture);
    return null;
  } catch {
    return 'this picture can’t be read.';
  }
}

/** As large as the page lets it be, in the middle, below the header. */
function place(page: PDFPage, picture: Awaited<ReturnType<PDFDocument['embedJpg']>>): void {
  const { width, height } = page.getSize();
  const room = { width: width - 2 * marginPoints, height: height - 2 * marginPoints - headerPoints };
  const drawn = picture.scaleToFit(room.width, room.height);
  page.drawImage(picture, {
    x: (width - drawn.width) / 2,
    y: marginPoints + (room.height - drawn.height) / 2,
    width: drawn.width,
    height: drawn.height,
  });
}

async function open(bytes: Uint8Array): Promise<PDFDocument | string> {
  try {
    const document = await PDFDocument.load(bytes);
    return document.getPageCount() > 0 ? document : 'it has no pages.';
  } catch (error) {
    return String(error).includes('encrypted')
      ? 'it is locked with a password. Take that off first.'
      : 'it is damaged, or not a PDF.';
  }
}
