import type * as Pdfjs from 'pdfjs-dist';
import { useEffect, useState } from 'react';

import { readMs } from '../shared/files';

type Pdf = typeof Pdfjs;

declare global {
  interface Window {
    cendroPdf?: Pdf;
  }
}

/** A fax page is 1728 points across (ITU-T T.4): more is not in it. */
const faxWidth = 1728;

export interface PageImage {
  url: string;
  width: number;
  height: number;
}

export type Drawn = { state: 'drawing' } | { state: 'drawn'; pages: PageImage[] } | { state: 'failed' };

let renderer: Promise<Pdf> | null = null;

/** The renderer, fetched once; a fetch that failed is tried again the next time. */
function fetchRenderer(): Promise<Pdf> {
  renderer ??= new Promise<Pdf>((resolve, reject) => {
    const script = document.createElement('script');
    script.type = 'module';
    script.src = '/showPdf.mjs';
    script.onload = () => (window.cendroPdf ? resolve(window.cendroPdf) : reject(new Error('No renderer')));
    script.onerror = () => reject(new Error('No renderer'));
    document.head.append(script);
  }).catch((error: unknown) => {
    renderer = null;
    throw error;
  });
  return renderer;
}

/** Pictures of a PDF's pages, which last until the reader goes; `pdf` null while it is not there yet. */
export function usePdfPages(pdf: Uint8Array | null, tries: number): Drawn {
  const [drawn, setDrawn] = useState<Drawn>({ state: 'drawing' });
  useEffect(() => {
    if (!pdf) return;
    let isGone = false;
    const urls: string[] = [];
    setDrawn({ state: 'drawing' });
    drawPages(pdf, urls).then(
      (pages) => isGone || setDrawn({ state: 'drawn', pages }),
      () => isGone || setDrawn({ state: 'failed' }),
    );
    return () => {
      isGone = true;
      // A picture that is being read at that moment is not taken from under it.
      setTimeout(() => urls.forEach((url) => URL.revokeObjectURL(url)), readMs);
    };
  }, [pdf, tries]);
  return drawn;
}

async function drawPages(pdf: Uint8Array, urls: string[]): Promise<PageImage[]> {
  const { getDocument } = await fetchRenderer();
  // It takes the bytes over, so it gets its own.
  const opened = await getDocument({ data: pdf.slice(), isEvalSupported: false }).promise;
  const pages: PageImage[] = [];
  for (let number = 1; number <= opened.numPages; number++) {
    const page = await opened.getPage(number);
    const scale = faxWidth / page.getViewport({ scale: 1 }).width;
    const viewport = page.getViewport({ scale });
    const canvas = document.createElement('canvas');
    canvas.width = Math.round(viewport.width);
    canvas.height = Math.round(viewport.height);
    const canvasContext = canvas.getContext('2d');
    if (!canvasContext) throw new Error('No canvas');
    await page.render({ canvasContext, viewport }).promise;
    const url = URL.createObjectURL(await asPng(canvas));
    urls.push(url);
    pages.push({ url, width: canvas.width, height: canvas.height });
  }
  await opened.destroy();
  return pages;
}

function asPng(canvas: HTMLCanvasElement): Promise<Blob> {
  return new Promise((resolve, reject) =>
    canvas.toBlob((blob) => (blob ? resolve(blob) : reject(new Error('No picture'))), 'image/png'),
  );
}
