/** Why this device gives no picture. */
export type PictureFault = 'refused' | 'none' | 'taken' | 'unable';

/** Of a camera as much as is looked at on a phone. */
const asked = { width: { ideal: 640 }, height: { ideal: 360 }, frameRate: { ideal: 24, max: 30 } };

/** What a camera sees; null: the device's own choice of which. Rejects with a `DOMException`, which `pictureFaultOf` reads. */
export function openCamera(cameraId: string | null): Promise<MediaStream> {
  const which = cameraId === null ? { facingMode: 'user' } : { deviceId: { exact: cameraId } };
  return navigator.mediaDevices.getUserMedia({ video: { ...asked, ...which } });
}

/** Whether this browser can share what is on its screen at all: those of phones can't. */
export const canShareScreen = (): boolean => typeof navigator.mediaDevices?.getDisplayMedia === 'function';

/** W3C Screen Capture, of which not all is known everywhere. */
interface ScreenWish extends DisplayMediaStreamOptions {
  selfBrowserSurface: 'exclude';
  systemAudio: 'exclude';
}

/** A screen, a window or a tab, as the browser has it chosen; with its sound, where that can’t be the sound of the meeting itself. */
export async function openScreen(): Promise<MediaStream> {
  const wish: ScreenWish = {
    video: { frameRate: { max: 10 } },
    audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
    selfBrowserSurface: 'exclude',
    // All that the device plays would be the others too: they would hear themselves.
    systemAudio: 'exclude',
  };
  const stream = await navigator.mediaDevices.getDisplayMedia(wish);
  // Letters are to be read: rather few pictures than blurred ones.
  for (const track of stream.getVideoTracks()) track.contentHint = 'detail';
  return stream;
}

/** What a browser's refusal means (W3C Media Capture and Streams §10.2). */
export function pictureFaultOf(error: unknown): PictureFault {
  if (!(error instanceof DOMException)) return 'unable';
  switch (error.name) {
    case 'NotAllowedError':
    case 'SecurityError':
      return 'refused';
    case 'NotFoundError':
    case 'OverconstrainedError':
      return 'none';
    case 'NotReadableError':
    case 'AbortError':
      return 'taken';
    default:
      return 'unable';
  }
}
