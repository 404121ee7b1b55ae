import type * as Vision from '@mediapipe/tasks-vision';

import { alphaOf, type Background } from '@/core/calls/backgrounds';

import type { FromBackground, ToBackground } from './hideBackground';

const plainColour = '#2f4a46';
/** So small a picture of what is behind is blurred when it is drawn large. */
const blurredTo = 24;
const framesPerSecond = 24;

const say = (message: FromBackground, transfer: Transferable[] = []) =>
  self.postMessage(message, { transfer });

/** What belongs to workers alone. */
declare function importScripts(address: string): void;

/** Puts something else behind somebody in each picture that it is given. */
class Painter {
  private readonly picture = new OffscreenCanvas(1, 1);
  private readonly somebody = new OffscreenCanvas(1, 1);
  private readonly small = new OffscreenCanvas(1, 1);
  private mask: ImageData | null = null;
  private alpha = new Uint8ClampedArray(0);

  constructor(
    private readonly segmenter: Vision.ImageSegmenter,
    private readonly background: Exclude<Background, 'none'>,
  ) {}

  paint(frame: ImageBitmap): ImageBitmap {
    const { width, height } = frame;
    this.segmenter.segmentForVideo(frame, performance.now(), ({ confidenceMasks }) => {
      const [found] = confidenceMasks ?? [];
      if (found) this.take(found.getAsFloat32Array(), found.width, found.height);
    });
    Object.assign(this.picture, { width, height });
    const context = contextOf(this.picture);
    if (this.mask) {
      Object.assign(this.somebody, { width: this.mask.width, height: this.mask.height });
      contextOf(this.somebody).putImageData(this.mask, 0, 0);
      context.drawImage(this.somebody, 0, 0, width, height);
      context.globalCompositeOperation = 'source-in';
      context.drawImage(frame, 0, 0);
    }
    context.globalCompositeOperation = 'destination-over';
    this.paintBehind(context, frame);
    frame.close();
    return this.picture.transferToImageBitmap();
  }

  private take(confidences: Float32Array, width: number, height: number): void {
    if (this.alpha.length !== confidences.length) {
      this.alpha = new Uint8ClampedArray(confidences.length);
      this.mask = new ImageData(width, height);
    }
    const { alpha, mask } = this;
    alphaOf(confidences, alpha);
    for (let at = 0; at < alpha.length; at++) if (mask) mask.data[4 * at + 3] = alpha[at] ?? 0;
  }

  private paintBehind(context: OffscreenCanvasRenderingContext2D, frame: ImageBitmap): void {
    const { width, height } = frame;
    if (this.background === 'plain') {
      context.fillStyle = plainColour;
      context.fillRect(0, 0, width, height);
      return;
    }
    Object.assign(this.small, { width: blurredTo, height: Math.round((blurredTo * height) / width) });
    const small = contextOf(this.small);
    for (const each of [small, context]) Object.assign(each, { imageSmoothingQuality: 'high' });
    small.drawImage(frame, 0, 0, this.small.width, this.small.height);
    context.drawImage(this.small, 0, 0, width, height);
  }
}

function contextOf(canvas: OffscreenCanvas): OffscreenCanvasRenderingContext2D {
  const context = canvas.getContext('2d');
  if (!context) throw new Error('Nothing can be drawn here.');
  return context;
}

/** As it comes from its package, beside the app: it fetches parts of its own, which no bundler follows. */
function fetchVision(): typeof Vision {
  const scope = self as typeof self & { exports?: typeof Vision };
  Object.assign(scope, { exports: {} });
  importScripts('/segmenter/tasks.js');
  if (!scope.exports?.ImageSegmenter) throw new Error('It could not be fetched.');
  return scope.exports;
}

let painter: Painter | null = null;

self.onmessage = ({ data }: MessageEvent<ToBackground>) => {
  if (data.do === 'begin') return void begin(data.background);
  if (!painter) return data.frame.close();
  const began = performance.now();
  try {
    const picture = painter.paint(data.frame);
    const tookMs = performance.now() - began;
    say({ told: 'picture', picture, tookMs }, [picture]);
    // By a clock that goes on also while nobody looks at the page.
    setTimeout(() => say({ told: 'next' }), Math.max(0, 1000 / framesPerSecond - tookMs));
  } catch (error) {
    fail(error);
  }
};

async function begin(background: Exclude<Background, 'none'>): Promise<void> {
  try {
    const segmenter = await fetchVision().ImageSegmenter.createFromOptions(
      { wasmLoaderPath: '/segmenter/vision.js', wasmBinaryPath: '/segmenter/vision.wasm' },
      {
        baseOptions: { modelAssetPath: '/segmenter/person.tflite', delegate: 'CPU' },
        ...{ runningMode: 'VIDEO', outputConfidenceMasks: true, outputCategoryMask: false },
        canvas: new OffscreenCanvas(1, 1),
      },
    );
    painter = new Painter(segmenter, background);
    say({ told: 'next' });
  } catch (error) {
    fail(error);
  }
}

const fail = (error: unknown) =>
  say({ told: 'failed', why: error instanceof Error ? error.message : String(error) });
