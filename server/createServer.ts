import compression from 'compression';
import express, { type Express } from 'express';
import helmet from 'helmet';
import { join } from 'node:path';

/** The style sheet that React Native for Web fills by rules is an empty element: this is the hash of nothing. */
const emptyStyle = "'sha256-47DEQpj8HBSa+/TImW+5JCeuQeRkm5NMpJWZG3hSuFU='";
const yearSeconds = 365 * 24 * 60 * 60;

/**
 * Serves the built app from `dist`: compressed, with names that carry a hash cached for good, and any other path
 * answered with the app itself. The policy lets the page load from here only, and run no inline script or style.
 */
export function createServer(dist: string): Express {
  const app = express();
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
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
  app.use(compression());
  app.use(
    '/_expo/static',
    express.static(join(dist, '_expo/static'), { immutable: true, maxAge: yearSeconds * 1000 }),
  );
  app.use('/assets', express.static(join(dist, 'assets'), { immutable: true, maxAge: yearSeconds * 1000 }));
  app.use(
    express.static(dist, {
      maxAge: '1h',
      setHeaders: (response, path) =>
        path.endsWith('.html') && response.setHeader('Cache-Control', 'no-cache'),
    }),
  );
  app.use((request, response, next) => {
    if (request.method !== 'GET' || /\.\w+$/.test(request.path)) {
      next();
      return;
    }
    response.setHeader('Cache-Control', 'no-cache');
    response.sendFile(join(dist, 'index.html'));
  });
  return app;
}
