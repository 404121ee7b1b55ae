// Writes dist/sw.js: what keeps the whole app on the device, so that it opens with no network.
import { join } from 'node:path';

import { root } from './lib.mjs';

/**
 * Everything that a place needs is fetched at the first visit, each file under its build's hash. A newer version is fetched beside it and
 * waits until no tab of the old one is open: no tab ever runs parts of both.
 */
export async function writeServiceWorker() {
  // Not before it may be called: on a fresh machine packages are installed first.
  const { generateSW } = await import('workbox-build');
  const dist = join(root, 'dist');
  const { count, size, warnings } = await generateSW({
    swDest: join(dist, 'sw.js'),
    globDirectory: dist,
    globPatterns: ['**/*.{html,js,mjs,css,svg,png,woff2,webmanifest,wasm}'],
    // The sample's past is made once, at the first start. The router's own pictures are shown by no screen.
    globIgnores: [
      'sw.js',
      'alerts.js',
      'voices/**',
      'pictures/**',
      'noise/**',
      'segmenter/**',
      '**/sampleHistory-*',
      'assets/**',
      'icons/**',
    ],
    dontCacheBustURLsMatching: /^_expo\/static\//,
    maximumFileSizeToCacheInBytes: 4_000_000,
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//],
    importScripts: ['/alerts.js'],
    clientsClaim: true,
    skipWaiting: false,
    cleanupOutdatedCaches: true,
    inlineWorkboxRuntime: true,
    sourcemap: false,
    runtimeCaching: [
      {
        urlPattern: ({ url, sameOrigin }) =>
          sameOrigin && /\/(?:voices|pictures|faxes|noise|segmenter)\//.test(url.pathname),
        handler: 'CacheFirst',
        options: { cacheName: 'heard-and-seen', expiration: { maxEntries: 200 } },
      },
    ],
  });
  if (warnings.length > 0) throw new Error(warnings.join('\n'));
  console.log(`Kept on devices: ${count} files, ${Math.round(size / 1024)} KB before compression`);
}
