// Builds the web app into dist/, unless it is already built from these very sources, and the servers into build/.
import { copyFileSync, existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync, constants, gzipSync } from 'node:zlib';

import { buildServer } from './buildServer.mjs';
import { bin, filesBelow, root, run, sourceHash } from './lib.mjs';
import { writeServiceWorker } from './serviceWorker.mjs';

const fonts = [
  ['bricolage-grotesque', '600'],
  ['bricolage-grotesque', '700'],
  ['atkinson-hyperlegible-next', '400'],
  ['atkinson-hyperlegible-next', '600'],
  ['martian-mono', '400'],
];

/** The fonts come from their packages, so that no copy of them is kept in the repository. */
export function copyFonts() {
  mkdirSync(join(root, 'public', 'fonts'), { recursive: true });
  for (const [family, weight] of fonts) {
    const source = join(
      root,
      'node_modules/@fontsource',
      family,
      'files',
      `${family}-latin-${weight}-normal.woff2`,
    );
    copyFileSync(source, join(root, 'public', 'fonts', `${family}-${weight}.woff2`));
  }
}

/** The PDF renderer runs as it comes from its package, with a worker of its own, and is fetched only to read a fax. */
export function copyPdfRenderer() {
  mkdirSync(join(root, 'public', 'pdf'), { recursive: true });
  for (const file of ['pdf.min.mjs', 'pdf.worker.min.mjs'])
    copyFileSync(join(root, 'node_modules/pdfjs-dist/build', file), join(root, 'public', 'pdf', file));
}

/** Noise is suppressed by a worklet as it comes from its package, fetched when a microphone is first used. */
export function copyNoiseSuppressor() {
  const from = join(root, 'node_modules/@sapphi-red/web-noise-suppressor/dist');
  const to = join(root, 'public', 'noise');
  mkdirSync(to, { recursive: true });
  copyFileSync(join(from, 'rnnoise/workletProcessor.js'), join(to, 'worklet.js'));
  for (const file of ['rnnoise.wasm', 'rnnoise_simd.wasm']) copyFileSync(join(from, file), join(to, file));
}

/** Somebody is found in a picture by what comes from its packages, fetched when a background is first hidden. */
export async function copySegmenter() {
  const { describeModel } = await import('./describeModel.mjs');
  const packages = join(root, 'node_modules/@mediapipe');
  const to = join(root, 'public', 'segmenter');
  mkdirSync(to, { recursive: true });
  copyFileSync(join(packages, 'tasks-vision/vision_bundle.cjs'), join(to, 'tasks.js'));
  for (const form of ['js', 'wasm'])
    copyFileSync(
      join(packages, `tasks-vision/wasm/vision_wasm_internal.${form}`),
      join(to, `vision.${form}`),
    );
  const model = readFileSync(join(packages, 'selfie_segmentation/selfie_segmentation.tflite'));
  writeFileSync(join(to, 'person.tflite'), describeModel(model));
}

/** Of so large a file the last hundredth is not worth the half minute that it takes. */
const largeBytes = 4_000_000;

/** Beside each text file its compressed forms, so that the server never compresses the same thing twice. */
function compress() {
  for (const file of filesBelow(['dist']).filter((name) => /\.(m?js|css|svg|json|wav|wasm)$/.test(name))) {
    const content = readFileSync(file);
    const quality = content.length > largeBytes ? 9 : constants.BROTLI_MAX_QUALITY;
    const params = { [constants.BROTLI_PARAM_QUALITY]: quality };
    writeFileSync(`${file}.br`, brotliCompressSync(content, { params }));
    writeFileSync(`${file}.gz`, gzipSync(content, { level: 9 }));
  }
}

export async function build() {
  await buildServer();
  const stamp = join(root, 'dist', '.sources');
  const hash = sourceHash();
  if (existsSync(stamp) && readFileSync(stamp, 'utf8') === hash) return;
  console.log('Building …');
  copyFonts();
  copyPdfRenderer();
  copyNoiseSuppressor();
  await copySegmenter();
  const env = { ...process.env, EXPO_OFFLINE: '1', EXPO_NO_TELEMETRY: '1', CI: '1', NODE_ENV: 'production' };
  run(bin('expo'), ['export', '--platform', 'web'], { env });
  await writeServiceWorker();
  compress();
  writeFileSync(stamp, hash);
}

if (import.meta.filename === process.argv[1]) await build();
