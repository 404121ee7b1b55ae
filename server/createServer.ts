import express, { type Express, type Request, type Router } from 'express';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';

import { plainFailures } from './guard/failures';
import { onlyOwnNames, type Reach } from './guard/fromHere';

/** The style sheet that React Native for Web fills by rules is an empty element: this is the hash of nothing. */
const emptyStyle = "'sha256-47DEQpj8HBSa+/TImW+5JCeuQeRkm5NMpJWZG3hSuFU='";
const hourMs = 60 * 60 * 1000;
const yearMs = 365 * 24 * hourMs;

/** What it does besides, each under its own path. */
export interface Routes {
  '/api/telling'?: Router;
  '/api/standins'?: Router;
  '/healthz'?: Router;
  '/readyz'?: Router;
  '/metrics'?: Router;
  '/give-over'?: Router;
}

/** Which office, and whether those outside are played. */
interface ServedOffice {
  which: 'own' | 'sample';
  isSimulated: boolean;
  /** Whether there is one under the name that somebody asks for; left out: it is the one under all. */
  isThere?: (request: Request) => boolean;
}

interface Served extends Reach {
  /** It hosts an office, of its own or the sample, for whoever connects: the page is told so. */
  office?: ServedOffice;
}

/**
 * Serves the built app from `dist`: as the build compressed it, with names that carry a hash cached for good, and any other path
 * answered with the app itself. The policy lets the page load from here only, and run no inline script or style.
 */
export function createServer(dist: string, routes: Routes = {}, { office, ...reach }: Served = {}): Express {
  const app = express();
  app.use(onlyOwnNames(reach));
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          // What suppresses noise is WebAssembly.
          scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
          styleSrc: ["'self'", emptyStyle],
          fontSrc: ["'self'"],
          imgSrc: ["'self'", 'data:', 'blob:'],
          mediaSrc: ["'self'", 'blob:'],
          connectSrc: ["'self'"],
          workerSrc: ["'self'"],
          manifestSrc: ["'self'"],
          baseUri: ["'none'"],
          formAction: ["'none'"],
          frameAncestors: ["'none'"],
        },
      },
      // A phone on the same network opens the demo by plain HTTP; the address has no certificate to insist on.
      strictTransportSecurity: false,
      crossOriginOpenerPolicy: false,
      originAgentCluster: false,
    }),
  );
  for (const [path, router] of Object.entries(routes)) app.use(path, router);
  app.use((request, response, next) => {
    if (office?.isThere?.(request) !== false) return next();
    response.status(421).type('text').send('No office goes by that name here.');
  });
  const serve = (folder: string, serveStatic: { maxAge: number; immutable?: boolean }) =>
    expressStaticGzip(join(dist, folder), {
      enableBrotli: true,
      orderPreference: ['br', 'gz'],
      // The page itself is answered below, for every address alike.
      index: false,
      serveStatic,
    });
  app.use('/_expo/static', serve('_expo/static', { immutable: true, maxAge: yearMs }));
  app.use('/assets', serve('assets', { immutable: true, maxAge: yearMs }));
  if (office !== undefined)
    app.get('/index.html', (_, response) => void response.type('html').send(pageOf(dist, office)));
  app.use(serve('.', { maxAge: hourMs }));
  // Handed over by another app before the service worker is there to take it: the app says that nothing came.
  app.post('/share', (_, response) => response.redirect(303, '/share'));
  app.use((request, response, next) => {
    if (!['GET', 'HEAD'].includes(request.method) || /\.\w+$/.test(request.path)) {
      next();
      return;
    }
    response.setHeader('Cache-Control', 'no-cache');
    if (office === undefined) response.sendFile(join(dist, 'index.html'));
    else response.type('html').send(pageOf(dist, office));
  });
  app.use(plainFailures);
  return app;
}

/** The page, which says that its office is hosted here (`state/offices/choosing`); kept on a device it says so still. */
function pageOf(dist: string, { which, isSimulated }: ServedOffice): string {
  const said = `data-office="${which}"${isSimulated ? ' data-outside="played"' : ''}`;
  return readFileSync(join(dist, 'index.html'), 'utf8').replace('<html ', `<html ${said} `);
}
