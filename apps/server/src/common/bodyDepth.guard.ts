import type { CanActivate, ExecutionContext } from '@nestjs/common';
import type { Request } from 'express';
import { badRequest } from './errors.ts';

/** Deepest nesting of a body: layouts and questions need a third of it. */
export const DEEPEST = 24;

/** Refuses bodies nested so deep that a walk over them could run out of stack, before anything walks over them. */
export class BodyDepthGuard implements CanActivate {
  canActivate(context: ExecutionContext): true {
    const { body } = context.switchToHttp().getRequest<Request>();
    if (!Buffer.isBuffer(body) && isDeeper(body, DEEPEST))
      throw badRequest(`This is nested more than ${DEEPEST} deep, which nothing here is.`);
    return true;
  }
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
