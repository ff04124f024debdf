import type { NextFunction, Request, Response } from 'express';
import type { ErrorBody } from '@same-song/core/records';

const OWN_NAMES = ['localhost', '127.0.0.1', '[::1]'];

/**
 * Lets in only requests addressed to this server by a name it answers to and, where a page sent them, from a page of
 * its own: a strange page in the same browser can neither read nor write, nor reach us by a name of its own. A
 * middleware and not a guard of routes: it stands before files and descriptions too, and before any body is read.
 */
export function originGuard(host: string, allowedHosts: readonly string[]) {
  const names = new Set([...OWN_NAMES, host.toLowerCase(), ...allowedHosts]);
  return (request: Request, response: Response, next: NextFunction): void => {
    const addressed = request.headers.host?.toLowerCase() ?? '';
    if (!names.has(addressed.replace(/:\d+$/, ''))) {
      refuse(
        response,
        `This server does not answer to the name “${addressed}”. Set ALLOWED_HOSTS to let it.`,
      );
      return;
    }
    const { origin } = request.headers;
    if (origin !== undefined && hostOf(origin) !== addressed) {
      refuse(response, 'This request comes from a page of another site.');
      return;
    }
    next();
  };
}

function hostOf(origin: string): string | undefined {
  return URL.canParse(origin) ? new URL(origin).host.toLowerCase() : undefined;
}

function refuse(response: Response, message: string): void {
  const body: ErrorBody = { status: 403, code: 'forbidden', message, problems: [] };
  response.status(403).json(body);
}
