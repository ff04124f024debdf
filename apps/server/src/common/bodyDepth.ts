import type { NextFunction, Request, Response } from 'express';
import type { ErrorBody } from '@same-song/core/records';

/** Deepest nesting of a body: layouts and questions need a third of it. */
export const DEEPEST = 24;

/** Refuses bodies nested so deep that a walk over them could run out of stack, before anything walks over them. */
export function refuseDeepBodies(request: Request, response: Response, next: NextFunction): void {
  if (Buffer.isBuffer(request.body) || !isDeeper(request.body, DEEPEST)) return next();
  const message = `This is nested more than ${DEEPEST} deep, which nothing here is.`;
  const body: ErrorBody = { status: 400, code: 'bad-request', message, problems: [] };
  response.status(400).json(body);
}

/** Goes level by level and stops beneath the deepest that is allowed. */
function isDeeper(value: unknown, deepest: number): boolean {
  let level = containers([value]);
  for (let depth = 1; level.length > 0; depth += 1) {
    if (depth > deepest) return true;
    level = containers(level.flatMap((container) => Object.values(container) as unknown[]));
  }
  return false;
}

function containers(values: readonly unknown[]): object[] {
  return values.filter((value) => typeof value === 'object' && value !== null);
}
