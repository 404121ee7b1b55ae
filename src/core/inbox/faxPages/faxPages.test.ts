import { Buffer } from 'node:buffer';
import { PDFDocument } from 'pdf-lib';

import { mostPages } from '@/core/inbox/fax';
import { faxSourceKind, joinFaxPages, readFaxPdf, withHeader, type FaxSource } from '.';

/** One black pixel. */
const png = new Uint8Array(
  Buffer.from(
    'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNk+M9QDwADhgGAWjR9awAAAABJRU5ErkJggg==',
    'base64',
  ),
);

async function pdfOf(pages: number): Promise<Uint8Array> {
  const document = await PDFDocument.create();
  for (let page = 0; page < pages; page++) document.addPage([200, 300]);
  return document.save();
}
const source = (kind: FaxSource['kind'], bytes: Uint8Array, name = 'file'): FaxSource => ({
  kind,
  name,
  bytes,
});

describe('pages of a fax', () => {
  // The library says what it could mend.
  beforeEach(() => void jest.spyOn(console, 'warn').mockImplementation(() => undefined));
  afterEach(() => jest.restoreAllMocks());

  it('are those of all files, in their order, pictures on A4', async () => {
    const made = await joinFaxPages([source('pdf', await pdfOf(2)), source('png', png)]);
    if (!made.ok) throw new Error(made.sentence);
    expect(made.pages).toBe(3);
    const document = await PDFDocument.load(made.pdf);
    expect(document.getPages().map((page) => Math.round(page.getWidth()))).toEqual([200, 200, 595]);
    expect(await readFaxPdf(made.pdf)).toMatchObject({ ok: true, pages: 3 });
  });

  it('are only the chosen ones of a PDF, as often as it is in', async () => {
    const long = await pdfOf(mostPages + 3);
    const made = await joinFaxPages([
      { ...source('pdf', long), pages: [1, 2, mostPages + 3] },
      { ...source('pdf', long), pages: [7] },
    ]);
    expect(made).toMatchObject({ ok: true, pages: 4 });
  });

  it('get a header each, and stay as many', async () => {
    const headed = await withHeader(
      await pdfOf(2),
      'Orrin Vale Gauging – 0131 496 0120',
      '26 Nov 2026 10:40',
    );
    expect((await PDFDocument.load(headed)).getPageCount()).toBe(2);
  });

  it.each([
    ['cut short', async () => (await pdfOf(1)).slice(0, 40), 'it is damaged, or not a PDF.'],
    ['no PDF at all', async () => new Uint8Array([1, 2, 3]), 'it is damaged, or not a PDF.'],
  ])('a PDF that is %s is refused by name', async (_, make, sentence) => {
    expect(await joinFaxPages([source('pdf', await make(), 'permit.pdf')])).toEqual({
      ok: false,
      sentence: `permit.pdf: ${sentence}`,
    });
  });

  it('a damaged picture, too many pages and nothing at all are refused', async () => {
    expect(await joinFaxPages([source('png', png.slice(0, 30), 'mast.png')])).toEqual({
      ok: false,
      sentence: 'mast.png: this picture can’t be read.',
    });
    expect(await joinFaxPages([source('pdf', await pdfOf(mostPages + 1))])).toMatchObject({
      ok: false,
      sentence: `That is ${mostPages + 1} pages; one fax takes at most ${mostPages}.`,
    });
    expect(await joinFaxPages([])).toMatchObject({ ok: false });
  });

  it('a file is known by its first bytes', async () => {
    expect(faxSourceKind(await pdfOf(1))).toBe('pdf');
    expect(faxSourceKind(png)).toBe('png');
    expect(faxSourceKind(new Uint8Array([0xff, 0xd8, 0xff, 0xe0]))).toBe('jpeg');
    expect(faxSourceKind(new Uint8Array([0x50, 0x4b]))).toBeNull();
  });
});
