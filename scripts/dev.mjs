// `npm run dev`: Metro's server with reloading, for working on the app.
import { copyFonts, copyNoiseSuppressor, copyPdfRenderer, copySegmenter } from './build.mjs';
import { bin, installPackages, run } from './lib.mjs';

installPackages();
copyFonts();
copyPdfRenderer();
copyNoiseSuppressor();
await copySegmenter();
run(bin('expo'), ['start', '--web', '--offline'], { env: { ...process.env, EXPO_NO_TELEMETRY: '1' } });
