import createClient from 'openapi-fetch';
import type { components, paths } from './schema.gen';

export type Schemas = components['schemas'];

/** Talks to Veliform on this machine, by the types its server states. */
export const api = createClient<paths>({ baseUrl: window.location.origin, fetch: patiently });

/** A body that is text already and goes as it is. */
export const AS_IT_IS = {
  bodySerializer: (text: string) => text,
  headers: { 'Content-Type': 'application/json' },
};

/** A busy server is asked again so often before that is said. */
const MOST_TRIES = 4;

/** Asks again where the server says that it is busy and when to come back (RFC 9110, 10.2.3). */
async function patiently(request: Request): Promise<Response> {
  for (let tries = 1; ; tries += 1) {
    const answer = await fetch(request.clone());
    const seconds = Number(answer.headers.get('Retry-After') ?? NaN);
    if (answer.status !== 503 || Number.isNaN(seconds) || tries === MOST_TRIES) return answer;
    await new Promise((resolve) => setTimeout(resolve, seconds * 1000));
  }
}

/** A request that failed: a sentence for people, and the kind for the program. */
export class Failure extends Error {
  readonly kind: Schemas['ErrorKind'] | 'offline';
  readonly fields: Schemas['Problem'][];

  constructor(
    kind: Schemas['ErrorKind'] | 'offline',
    message: string,
    fields: Schemas['Problem'][] = [],
    options?: ErrorOptions,
  ) {
    super(message, options);
    this.kind = kind;
    this.fields = fields;
  }
}

/** Whether nobody is there to answer, or nobody has the time. */
export const isAway = (failure: Failure): boolean =>
  failure.kind === 'offline' || failure.kind === 'unavailable';

const AWAY = 'Veliform does not answer. What you type is saved here and sent when it is back.';

/** The answer of a request, or a Failure that says what to do. */
export async function ask<T>(
  request: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<T> {
  let answer;
  try {
    answer = await request;
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') throw error;
    throw new Failure('offline', AWAY);
  }
  if (answer.data !== undefined) return answer.data;
  throw asFailure(answer.error, answer.response.status);
}

/** The answer of a request, with the tag of the version it stands at (RFC 9110, 8.8.3). */
export async function withTag<T>(
  request: Promise<{ data?: T; error?: unknown; response: Response }>,
): Promise<{ answer: T; version: string }> {
  const { response } = await request.catch(() => ({ response: null }));
  const answer = await ask(request);
  return { answer, version: response?.headers.get('ETag') ?? '' };
}

/**
 * The answers of a request that answers more than once, each a line of JSON, as they come. Whoever
 * aborts it is not worked for any more.
 */
export async function* answersOf<T>(
  path: string,
  body: unknown,
  signal: AbortSignal,
): AsyncGenerator<T> {
  const request = new Request(path, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(body),
    signal,
  });
  let response;
  try {
    response = await patiently(request);
  } catch (error) {
    if (signal.aborted) return;
    throw error instanceof TypeError ? new Failure('offline', AWAY) : error;
  }
  if (!response.ok || !response.body)
    throw asFailure(await response.json().catch(() => null), response.status);
  const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
  let text = '';
  try {
    for (;;) {
      const { done, value } = await reader.read();
      if (done) return;
      const lines = (text + value).split('\n');
      text = lines.pop() ?? '';
      for (const line of lines) yield JSON.parse(line) as T;
    }
  } catch (error) {
    if (!signal.aborted) throw new Failure('offline', AWAY, [], { cause: error });
  }
}

function asFailure(error: unknown, status: number): Failure {
  if (typeof error === 'object' && error !== null && 'detail' in error && 'kind' in error) {
    const body = error as Schemas['ErrorBody'];
    return new Failure(body.kind, body.detail, body.fields);
  }
  return new Failure('internal', `Veliform answered ${status}. Try again.`);
}
