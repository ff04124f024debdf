import { Catch, HttpException, Logger, type ArgumentsHost, type ExceptionFilter } from '@nestjs/common';
import type { Response } from 'express';
import type { ErrorBody } from '@same-song/core/records';
import { ApiError } from './errors.ts';

const CODES: Readonly<Record<number, string>> = {
  400: 'bad-request',
  403: 'forbidden',
  404: 'not-found',
  413: 'too-large',
  415: 'not-json',
  429: 'too-many',
};
const SENTENCES: Readonly<Record<number, string>> = {
  400: 'This request cannot be read: it is not valid JSON.',
  404: 'There is nothing at this address.',
  413: 'This is too large to be taken.',
  429: 'Too many requests in a short time. Wait a minute, then try again.',
};
/** What SQLite says when the file can no longer be written. */
const STORAGE: readonly [RegExp, string][] = [
  [/SQLITE_FULL|ENOSPC/, 'The disk is full: nothing was saved. Make room, then try again.'],
  [/SQLITE_READONLY|SQLITE_CANTOPEN|EROFS/, 'The database file has become read-only: nothing was saved.'],
  [
    /SQLITE_(BUSY|LOCKED)/,
    'Another program holds the database file: nothing was saved. Close it there, then try again.',
  ],
  [/SQLITE_(CORRUPT|NOTADB|IOERR)/, 'The database file cannot be read or written: nothing was saved.'],
];

/** Turns whatever was thrown into the one error shape; stack traces stay in the log. */
@Catch()
export class ErrorFilter implements ExceptionFilter {
  readonly #log = new Logger('Error');

  catch(error: unknown, host: ArgumentsHost): void {
    const response = host.switchToHttp().getResponse<Response>();
    if (response.headersSent) return;
    const body = this.#bodyOf(error);
    response.status(body.status).json(body);
  }

  #bodyOf(error: unknown): ErrorBody {
    if (error instanceof ApiError) return error.body;
    const status = error instanceof HttpException ? error.getStatus() : bodyParserStatus(error);
    if (status !== undefined && status < 500) {
      const message = SENTENCES[status] ?? 'This request was refused.';
      return { status, code: CODES[status] ?? 'refused', message, problems: [] };
    }
    const text = String(error);
    const storage = STORAGE.find(([pattern]) => pattern.test(text));
    this.#log.error(error instanceof Error ? error.stack : text);
    if (storage) return { status: 507, code: 'storage', message: storage[1], problems: [] };
    const message = 'Something went wrong on the server. Nothing was saved; the log tells more.';
    return { status: 500, code: 'server', message, problems: [] };
  }
}

/** The body parser's own errors carry a status and a type. */
function bodyParserStatus(error: unknown): number | undefined {
  const status = (error as { status?: unknown } | null)?.status;
  return typeof status === 'number' && status >= 400 && status < 500 ? status : undefined;
}
