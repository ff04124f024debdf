import { existsSync, readFileSync } from 'node:fs';
import { randomBytes } from 'node:crypto';
import { join } from 'node:path';
import express, { type NextFunction, type Request, type Response } from 'express';
import helmet from 'helmet';
import type { NestExpressApplication } from '@nestjs/platform-express';

/** Stands in the built page where the nonce of the answer goes. */
const NONCE_MARK = '__NONCE__';
/** And where it says whether the data are the demo's: the browser keeps what belongs to them apart from one's own. */
const DATA_MARK = '__DATA_SET__';

/** Security headers; styles are allowed by a nonce that is new with every answer. */
export function securityHeaders() {
  const nonce = (_: Request, response: Response, next: NextFunction) => {
    response.locals['nonce'] = randomBytes(16).toString('base64');
    next();
  };
  const strict = helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'"],
        styleSrc: ["'self'", (_, response) => `'nonce-${(response as Response).locals['nonce'] as string}'`],
        workerSrc: ["'self'", 'blob:'],
        imgSrc: ["'self'", 'data:', 'blob:'],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'none'"],
        frameAncestors: ["'none'"],
      },
    },
    strictTransportSecurity: false,
  });
  /** The page that shows the API's description writes its own scripts and styles, and needs nothing from elsewhere. */
  const documents = helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'", "'unsafe-inline'"],
        styleSrc: ["'self'", "'unsafe-inline'"],
        imgSrc: ["'self'", 'data:'],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'none'"],
        frameAncestors: ["'none'"],
      },
    },
    strictTransportSecurity: false,
  });
  return [
    nonce,
    (request: Request, response: Response, next: NextFunction) =>
      (request.path.startsWith('/api/docs') ? documents : strict)(request, response, next),
  ];
}

/** Serves the built application: its files for long, its page fresh with every answer and for every place in it. */
export function serveWeb(app: NestExpressApplication, folder: string, isDemo: boolean): void {
  const page = join(folder, 'index.html');
  let read: string | undefined;
  /** Read when it is first there: it may be built while the server runs. */
  const html = () =>
    (read ??= existsSync(page)
      ? readFileSync(page, 'utf8').replace(DATA_MARK, isDemo ? 'demo' : 'own')
      : undefined);
  app.use(
    '/assets',
    express.static(join(folder, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }),
  );
  app.use(express.static(folder, { index: false, maxAge: '1h' }));
  app.use((request: Request, response: Response, next: NextFunction) => {
    const wanted =
      (request.method === 'GET' || request.method === 'HEAD') && !request.path.startsWith('/api');
    if (!wanted) return next();
    response.setHeader('Cache-Control', 'no-store');
    const text = html();
    if (text === undefined)
      return response
        .status(503)
        .type('text')
        .send('The web application is not built yet: run npm run build.');
    return response.type('html').send(text.replaceAll(NONCE_MARK, response.locals['nonce'] as string));
  });
}
