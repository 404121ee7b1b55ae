import { FramePace, type Background } from '@/core/calls/backgrounds';

/** To what finds somebody in pictures, beside the page. */
export type ToBackground =
  { do: 'begin'; background: Exclude<Background, 'none'> } | { do: 'paint'; frame: ImageBitmap };

/** What it says. */
export type FromBackground =
  /** It can be given a picture. */
  | { told: 'next' }
  | { told: 'picture'; picture: ImageBitmap; tookMs: number }
  | { told: 'failed'; why: string };

/** A camera’s picture with something else behind whoever is in it. */
export interface HiddenBackground {
  /** Ends with its track, and ends the camera with it. */
  stream: MediaStream;
}

/** So long it is waited for a picture, and so often. */
const [missedMs, mostMissed] = [100, 50];

interface HideOptions {
  background: Exclude<Background, 'none'>;
  /** This device is too slow for it. It goes on, for nobody is to be seen otherwise than they chose. */
  onTooSlow: () => void;
}

/**
 * Hides what is behind whoever is before a camera: each picture is worked on in a worker. Rejects where this browser can’t, or what is needed can’t be
 * fetched now. The camera belongs to it from then on.
 */
export function hideBackground(
  camera: MediaStream,
  { background, onTooSlow }: HideOptions,
): Promise<HiddenBackground> {
  return new Promise((resolve, reject) => {
    const { width = 640, height = 360 } = camera.getVideoTracks()[0]?.getSettings() ?? {};
    const canvas = Object.assign(document.createElement('canvas'), { width, height });
    const context = canvas.getContext('bitmaprenderer');
    const video: HTMLVideoElement = Object.assign(document.createElement('video'), {
      ...{ srcObject: camera, muted: true, playsInline: true },
    });
    const worker = new Worker(new URL('./background.worker', window.location.href));
    const pace = new FramePace();
    let stream: MediaStream | null = null;
    let isSlowSaid = false;
    const say = (message: ToBackground, transfer: Transferable[] = []) =>
      worker.postMessage(message, { transfer });
    const isOver = () =>
      (stream !== null && stream.getTracks().every(({ readyState }) => readyState === 'ended')) ||
      camera.getTracks().every(({ readyState }) => readyState === 'ended');
    const end = () => {
      worker.terminate();
      video.srcObject = null;
      for (const track of camera.getTracks()) track.stop();
      for (const track of stream?.getTracks() ?? []) {
        const wasLive = track.readyState === 'live';
        track.stop();
        // As a camera that is unplugged says it (W3C Media Capture and Streams §4.3.3).
        if (wasLive) track.dispatchEvent(new Event('ended'));
      }
    };
    const fail = (why: string) => {
      end();
      reject(new Error(why));
    };
    let missed = 0;
    const next = async () => {
      if (isOver()) return end();
      try {
        if (video.paused) await video.play();
        const frame = await createImageBitmap(video);
        missed = 0;
        say({ do: 'paint', frame }, [frame]);
      } catch (error) {
        // A camera that has just been opened gives nothing yet.
        if (++missed > mostMissed) fail(error instanceof Error ? error.message : String(error));
        else setTimeout(() => void next(), missedMs);
      }
    };
    const show = (picture: ImageBitmap, tookMs: number) => {
      if (canvas.width !== picture.width || canvas.height !== picture.height)
        Object.assign(canvas, { width: picture.width, height: picture.height });
      context?.transferFromImageBitmap(picture);
      pace.note(tookMs);
      if (pace.isTooSlow === true && !isSlowSaid) {
        isSlowSaid = true;
        onTooSlow();
      }
      if (stream) return;
      stream = canvas.captureStream();
      resolve({ stream });
    };
    worker.onerror = ({ message }) => fail(message);
    worker.onmessage = ({ data }: MessageEvent<FromBackground>) => {
      if (data.told === 'next') void next();
      else if (data.told === 'picture') show(data.picture, data.tookMs);
      else fail(data.why);
    };
    say({ do: 'begin', background });
  });
}
