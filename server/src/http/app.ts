import { randomBytes } from 'node:crypto';
import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Locale, localeOfHeader, spell } from '@pozzo/core';
import compression from 'compression';
import express, { type ErrorRequestHandler, type Express, type Response } from 'express';
import helmet from 'helmet';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import { AppError, type RefusalBody } from '../errors.js';
import { api, type ApiOptions } from './api.js';
import { guard } from './guard.js';
import { MOST_A_MINUTE } from './limits.js';
import { DEEP, DEEPEST } from './reading.js';

export interface AppOptions extends Omit<ApiOptions, 'aMinute'> {
  readonly log: Logger;
  /** Names besides this machine's own that the server is reached by. */
  readonly hosts?: readonly string[];
  /** Writes and sums in a minute; {@link MOST_A_MINUTE} unless a test asks for less. */
  readonly aMinute?: number;
  /** Folder of the built web application; without it only the API is served. */
  readonly webFolder?: string;
}

/** What an error of the frame (body parser, files, ranges, preconditions) is in our words; its 4xx stays the one it is. */
function asAppError(error: unknown): AppError | undefined {
  if (error instanceof AppError) return error;
  const { type, status, statusCode, limit } = (error ?? {}) as { type?: string; status?: number; statusCode?: number; limit?: number };
  if (type === 'entity.parse.failed') return new AppError(400, 'json', '', 'JSON', 'The body is not JSON.');
  if (type === DEEP) return new AppError(400, 'deep', '', `≤ ${DEEPEST} levels`, 'The body is nested deeper than any rig file.');
  if (type === 'entity.too.large')
    return new AppError(413, 'too-large', '', `≤ ${limit ?? 0} bytes`, `The body is larger than ${Math.round((limit ?? 0) / 1000)} kB.`);
  if (type === 'encoding.unsupported' || type === 'charset.unsupported') return new AppError(415, 'encoding', '', 'UTF-8', 'The body must be UTF-8 JSON.');
  if (error instanceof URIError) return new AppError(400, 'path', '', 'a readable address', 'The address cannot be read.');
  const code = status ?? statusCode;
  if (code !== undefined && code >= 400 && code < 500)
    return new AppError(code, 'request', '', '', `The request cannot be served: ${(error as Error).message}.`);
  return undefined;
}

/** A refusal in the reader's spelling: its sentences alone, never the documents that stand beside them. */
function spelled(body: RefusalBody, locale: Locale): object {
  const said = <T extends { readonly message: string }>(x: T): T => ({ ...x, message: spell(x.message, locale) });
  return { ...body, error: said(body.error), ...(body.problems && { problems: body.problems.map(said) }) };
}

export function createApp({ log, webFolder, hosts, aMinute = MOST_A_MINUTE, ...routes }: AppOptions): Express {
  const app = express();
  app.disable('x-powered-by');
  app.use(pinoHttp({ logger: log, autoLogging: { ignore: (request) => !request.url?.startsWith('/api/') } }));
  app.use((_request, response, next) => {
    response.locals['nonce'] = randomBytes(16).toString('base64');
    next();
  });
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'self'"],
          scriptSrc: ["'self'"],
          workerSrc: ["'self'"],
          // Style elements that the application adds at run time carry this answer's nonce.
          styleSrc: ["'self'", (_request, response) => `'nonce-${(response as Response).locals['nonce'] as string}'`],
          styleSrcAttr: ["'unsafe-inline'"],
          imgSrc: ["'self'", 'data:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          objectSrc: ["'none'"],
          baseUri: ["'self'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
          upgradeInsecureRequests: null,
        },
      },
      strictTransportSecurity: false,
    }),
  );
  app.use(guard(hosts));
  app.use(compression());
  app.use('/api', (_request, response, next) => {
    response.setHeader('Cache-Control', 'no-store');
    next();
  });
  app.use('/api/v1', api({ ...routes, aMinute }));
  app.use('/api', (request) => {
    throw new AppError(404, 'unknown', '', '/api/v1', `There is nothing at ${request.method} ${request.originalUrl.slice(0, 100)}.`);
  });
  if (webFolder && existsSync(join(webFolder, 'index.html'))) serveWeb(app, webFolder);

  const onError: ErrorRequestHandler = (error, request, response, next) => {
    if (response.headersSent) return next(error);
    const known = asAppError(error);
    if (!known) request.log.error({ err: error }, 'request failed');
    const answer = known ?? new AppError(500, 'internal', '', '', 'Something failed here; nothing was changed. It is in the server’s log.');
    if (answer.retryAfterS !== undefined) response.setHeader('Retry-After', String(answer.retryAfterS));
    response.status(answer.status).json(spelled(answer.body(), localeOfHeader(request.headers['accept-language'])));
  };
  app.use(onError);
  return app;
}

/** Hashed files for a year, everything else asked anew; unknown paths give the application, which knows its own routes. */
function serveWeb(app: Express, folder: string): void {
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const sendPage = (response: Response): void => {
    response.setHeader('Cache-Control', 'no-cache');
    response.type('html').send(page.replaceAll('%NONCE%', response.locals['nonce'] as string));
  };
  app.get(['/', '/index.html'], (_request, response) => sendPage(response));
  app.use(
    express.static(folder, {
      index: false,
      redirect: false,
      setHeaders: (response, path) => response.setHeader('Cache-Control', /-[A-Z0-9]{8}\.\w+$/.test(path) ? 'public, max-age=31536000, immutable' : 'no-cache'),
    }),
  );
  app.get('/{*path}', (request, response) => {
    if (/\.\w{1,8}$/.test(request.path)) throw new AppError(404, 'unknown', '', '', `There is no file ${request.path.slice(0, 100)}.`);
    sendPage(response);
  });
}
