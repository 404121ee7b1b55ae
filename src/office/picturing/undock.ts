import type { PictureKind } from '@/core/calls/meetings';

import type { Look } from '../looks';

/** Where pictures come from, and what is told how large they are looked at. */
interface PicturesThere {
  streamOf: (legId: string, kind: PictureKind) => MediaStream | null;
  subscribe: (listener: () => void) => () => void;
  look: (element: object, at: Look | null) => void;
}

interface Undocked {
  legId: string;
  kind: PictureKind;
  /** Whose it is, and of what. */
  title: string;
}

/** A window of its own over all others: of a document (Document Picture-in-Picture), or of a picture alone (Picture-in-Picture). */
interface OwnWindow {
  rows: () => number;
  onResize: (changed: () => void) => void;
  onClose: (closed: () => void) => void;
  close: () => void;
}

interface DocumentWindows {
  requestWindow: (size: { width: number; height: number }) => Promise<Window>;
}

const documentWindows = (): DocumentWindows | null =>
  (globalThis as { documentPictureInPicture?: DocumentWindows }).documentPictureInPicture ?? null;

/** Whether this browser has windows for pictures at all. */
export const canUndock = (): boolean => documentWindows() !== null || document.pictureInPictureEnabled;

/**
 * Shows a picture of a meeting in a window of its own, which stays over those of other programs: as long as it comes, or until somebody closes the
 * window. Rejects where the browser opens none.
 */
export async function undock(pictures: PicturesThere, { legId, kind, title }: Undocked): Promise<void> {
  const film = Object.assign(document.createElement('video'), {
    ...{ muted: true, autoplay: true, playsInline: true, title },
  });
  let stream = pictures.streamOf(legId, kind);
  film.srcObject = stream;
  const own = await (documentWindows() ? openDocument(film, title) : openFilm(film));
  const look = () => pictures.look(film, { legId, kind, rows: own.rows(), isApart: true });
  const follow = () => {
    const now = pictures.streamOf(legId, kind);
    if (now === stream) return;
    stream = now;
    film.srcObject = now;
    if (now === null) end();
    else void film.play().catch(() => undefined);
  };
  const stop = pictures.subscribe(follow);
  const end = () => {
    stop();
    pictures.look(film, null);
    film.srcObject = null;
    film.remove();
    own.close();
  };
  own.onResize(look);
  own.onClose(end);
  look();
  // While the window was opened it may have come to its end.
  follow();
}

async function openDocument(film: HTMLVideoElement, title: string): Promise<OwnWindow> {
  const there = await documentWindows()?.requestWindow({ width: 480, height: 300 });
  if (!there) throw new Error('No window was opened.');
  const { body } = there.document;
  there.document.title = title;
  Object.assign(body.style, { margin: '0', background: '#10201e', overflow: 'hidden' });
  Object.assign(film.style, { width: '100vw', height: '100vh', objectFit: 'contain', display: 'block' });
  const words = there.document.createElement('p');
  words.textContent = title;
  Object.assign(words.style, {
    ...{ position: 'fixed', left: '0', bottom: '0', margin: '0', padding: '4px 8px' },
    ...{ background: '#10201e', color: '#f2f4f1', font: '16px system-ui, sans-serif' },
  });
  body.append(film, words);
  await film.play().catch(() => undefined);
  return {
    rows: () => Math.round(there.innerHeight * there.devicePixelRatio),
    onResize: (changed) => there.addEventListener('resize', changed),
    onClose: (closed) => there.addEventListener('pagehide', closed),
    close: () => there.close(),
  };
}

async function openFilm(film: HTMLVideoElement): Promise<OwnWindow> {
  Object.assign(film.style, { position: 'fixed', width: '1px', height: '1px', opacity: '0' });
  film.ariaHidden = 'true';
  document.body.append(film);
  try {
    await film.play();
    const there = await film.requestPictureInPicture();
    return {
      rows: () => Math.round(there.height * devicePixelRatio),
      onResize: (changed) => there.addEventListener('resize', changed),
      onClose: (closed) => film.addEventListener('leavepictureinpicture', closed),
      close: () => {
        if (document.pictureInPictureElement === film) void document.exitPictureInPicture();
      },
    };
  } catch (error) {
    film.remove();
    throw error;
  }
}
