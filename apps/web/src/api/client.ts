import type { ErrorBody } from '@same-song/core/records';

/** A refusal by the server, or `offline` when it could not be reached at all. */
export class RequestError extends Error {
  override name = 'RequestError';
  constructor(readonly body: ErrorBody) {
    super(body.message);
  }
}

/** The record as it is now, where a write came on an older version of it; the server sends the kind it was asked for. */
export function currentIn<Record>(error: unknown): Record | undefined {
  return error instanceof RequestError && error.body.code === 'stale'
    ? (error.body.current as Record)
    : undefined;
}

/**
 * Whether the server has looked at what it was sent and does not take it. All other answers are about the way there (nobody
 * signed in, too much at once, a proxy that knows no such path or no such size), so that the same may be taken later.
 */
export function isRefused(error: unknown): boolean {
  return error instanceof RequestError && error.body.status === 422;
}

/** Answers that are about one request alone: others may be sent meanwhile. */
const ABOUT_ONE_REQUEST: readonly number[] = [400, 404, 409, 413, 415, 422];

/** Whether nothing can be sent at the moment: no answer, nobody signed in, too much at once, or a server in trouble. */
export function isAway(error: unknown): boolean {
  return !(error instanceof RequestError && ABOUT_ONE_REQUEST.includes(error.body.status));
}

const OFFLINE: ErrorBody = {
  status: 0,
  code: 'offline',
  message: 'The Same Song server does not answer. What you typed is still here; try again when it is back.',
  problems: [],
};

type Method = 'GET' | 'POST' | 'PUT' | 'DELETE';

/**
 * One request to the API.
 * @param keepalive sent to its end even when the page is left at once; for small bodies only
 * @throws RequestError
 */
export async function request<T>(
  method: Method,
  path: string,
  body?: unknown,
  { keepalive = false }: { readonly keepalive?: boolean } = {},
): Promise<T> {
  let response: Response;
  try {
    response = await fetch(`/api${path}`, {
      method,
      keepalive,
      ...(body === undefined
        ? {}
        : { body: JSON.stringify(body), headers: { 'Content-Type': 'application/json' } }),
    });
  } catch {
    throw new RequestError(OFFLINE);
  }
  if (response.status === 204) return undefined as T;
  const answer: unknown = await response.json().catch(() => undefined);
  if (response.ok && answer !== undefined) return answer as T;
  throw new RequestError(isErrorBody(answer) ? answer : { ...OFFLINE, status: response.status });
}

function isErrorBody(value: unknown): value is ErrorBody {
  return typeof value === 'object' && value !== null && 'message' in value && 'problems' in value;
}

/** The message under one field, if the server named it. */
export function fieldMessage(error: unknown, field: string): string | undefined {
  if (!(error instanceof RequestError)) return undefined;
  return error.body.problems.find((problem) => problem.field === field)?.message;
}
