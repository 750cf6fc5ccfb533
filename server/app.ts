import { existsSync } from 'node:fs';
import { join } from 'node:path';
import { constants } from 'node:zlib';
import compression from 'compression';
import express, { type Express } from 'express';
import expressStaticGzip from 'express-static-gzip';
import helmet from 'helmet';
import { monitors } from './monitor';
import { simulatedReport } from './water-report';

const CONTENT_SECURITY_POLICY = {
  'default-src': ["'none'"],
  'script-src': ["'self'"],
  'script-src-attr': ["'none'"],
  'style-src': ["'self'"],
  'style-src-elem': ["'self'", "'unsafe-inline'"],
  'style-src-attr': ["'none'"],
  'img-src': ["'self'", 'data:', 'blob:'],
  'font-src': ["'self'"],
  'connect-src': ["'self'"],
  'worker-src': ["'self'"],
  'manifest-src': ["'self'"],
  'base-uri': ["'self'"],
  'form-action': ["'self'"],
  'frame-ancestors': ["'none'"],
  'object-src': ["'none'"],
};

/** Scripts, styles and fonts under names that change with their content; workers are documents of their own and not among them. */
const HASHED_PART = /\/(?!worker)[\w.-]+-[A-Z0-9]{8}\.(js|css|woff2?)$/;

/** Whatever is named by its content, workers too. */
const HASHED = /-[A-Z0-9]{8}\.\w+$/;
/** Nobody asks again for what never changes: what it would be asked by is dozens of times a hundred bytes for nothing. */
const UNASKED = { etag: false, lastModified: false, acceptRanges: false };

/** Serves the built app from a folder, with security headers. Keeps no user data. */
export function createApp(root: string): Express {
  if (!existsSync(join(root, 'index.html'))) throw new Error(`no build in ${root}: run npm run build first`);
  const app = express();
  app.disable('x-powered-by');
  const guard = helmet({
    contentSecurityPolicy: { useDefaults: false, directives: CONTENT_SECURITY_POLICY },
    crossOriginEmbedderPolicy: false,
    strictTransportSecurity: false,
  });
  app.use((request, response, next) => {
    // a policy rules the page or worker it comes with; on the dozens of parts they load it is a kilobyte each for nothing
    if (!HASHED_PART.test(request.path)) return guard(request, response, next);
    response.set({ 'X-Content-Type-Options': 'nosniff', 'Cross-Origin-Resource-Policy': 'same-origin' });
    next();
  });
  app.use(compression({ brotli: { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } } }));
  app.get('/api/health', (_request, response) => {
    response.set('Cache-Control', 'no-store').json({ ok: true });
  });
  app.get('/api/simulated/water-report', (request, response) => {
    const found = simulatedReport(request.query);
    response.set('Cache-Control', 'no-store');
    if (found.ok) response.json(found.report);
    else response.status(400).json({ reason: found.reason });
  });
  app.use('/api/simulated/monitor', monitors());
  const packed = (serveStatic: { setHeaders: (response: { setHeader(name: string, value: string): unknown }) => void; etag?: boolean }) =>
    expressStaticGzip(root, { enableBrotli: true, orderPreference: ['br'], index: false, serveStatic });
  const kept = packed({ setHeaders: (response) => response.setHeader('Cache-Control', 'public, max-age=31536000, immutable'), ...UNASKED });
  const asked = packed({ setHeaders: (response) => response.setHeader('Cache-Control', 'no-cache') });
  app.use((request, response, next) => (HASHED.test(request.path) ? kept : asked)(request, response, next));
  app.get('/{*path}', (request, response) => {
    if (request.path.startsWith('/api/') || /\.\w+$/.test(request.path)) response.status(404).type('text').send('not found');
    else response.set('Cache-Control', 'no-cache').sendFile(join(root, 'index.html'));
  });
  return app;
}
