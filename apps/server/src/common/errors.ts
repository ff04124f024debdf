import type { Problem } from '@same-song/core';
import type { ErrorBody } from '@same-song/core/records';

/** Most problems told in one answer. */
export const PROBLEMS_TOLD = 50;

/** An error that the filter answers as it is. */
export class ApiError extends Error {
  override name = 'ApiError';
  constructor(readonly body: ErrorBody) {
    super(body.message);
  }
}

export function invalid(problems: readonly Problem[]): ApiError {
  const message = problems[0]?.message ?? 'Something in this request is wrong.';
  return new ApiError({ status: 422, code: 'invalid', message, problems: problems.slice(0, PROBLEMS_TOLD) });
}

export function badRequest(message: string): ApiError {
  return new ApiError({ status: 400, code: 'bad-request', message, problems: [] });
}

export function notFound(what: string): ApiError {
  return new ApiError({
    status: 404,
    code: 'not-found',
    message: `${what} is not there (any more).`,
    problems: [],
  });
}

/** A record that a damaged file no longer gives. */
export function broken(what: string): ApiError {
  const message = `${what} is damaged in the file and cannot be read. All others can; importing a file that holds it puts it right.`;
  return new ApiError({ status: 422, code: 'broken', message, problems: [] });
}

export function stale(current: unknown): ApiError {
  const message = 'This was changed elsewhere since you opened it. Choose which text to keep.';
  return new ApiError({ status: 409, code: 'stale', message, problems: [], current });
}

/** What would be taken back was changed since. */
export function changedSince(message: string): ApiError {
  return new ApiError({ status: 409, code: 'changed-since', message, problems: [] });
}
