import * as z from 'zod/mini';

const failure = z.object({
  code: z.string(),
  message: z.string(),
  errors: z._default(z.record(z.string(), z.array(z.string())), {}),
  details: z._default(z.record(z.string(), z.unknown()), {}),
});

/** What went wrong, with the server's stable code and its words for people. */
export class ApiError extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
    readonly errors: Record<string, string[]> = {},
    readonly details: Record<string, unknown> = {},
  ) {
    super(message);
  }

  /** The first message for a field, if there is one. */
  field(name: string): string | undefined {
    return this.errors[name]?.[0];
  }
}

const token = () => {
  const found = /(?:^|; )XSRF-TOKEN=([^;]*)/.exec(document.cookie);
  return found?.[1] ? decodeURIComponent(found[1]) : '';
};

type Asked = { method?: string; body?: unknown; file?: Blob | undefined; signal?: AbortSignal | undefined };

async function ask(path: string, asked: Asked, isAgain = false): Promise<Response> {
  const { method = 'GET', body, file, signal } = asked;
  let response: Response;
  try {
    response = await fetch(`/api/${path}`, {
      method,
      credentials: 'same-origin',
      headers: {
        Accept: 'application/json',
        'X-XSRF-TOKEN': token(),
        ...(file ? { 'Content-Type': 'application/octet-stream' } : body === undefined ? {} : { 'Content-Type': 'application/json' }),
      },
      ...(file ? { body: file } : body === undefined ? {} : { body: JSON.stringify(body) }),
      ...(signal ? { signal } : {}),
    });
  } catch (error) {
    if (error instanceof DOMException && error.name === 'AbortError') {
      throw error;
    }
    throw new ApiError(0, 'no_answer', 'Syndex does not answer. What you typed is kept on this page; try again in a moment.');
  }
  if (response.ok) {
    return response;
  }
  if (response.status === 419 && !isAgain) {
    // The word of an earlier session: a new one comes with the next answer.
    await fetch('/api/session', { credentials: 'same-origin', headers: { Accept: 'application/json' } }).catch(() => undefined);
    return ask(path, asked, true);
  }
  const said = failure.safeParse(await response.json().catch(() => null));
  throw said.success
    ? new ApiError(response.status, said.data.code, said.data.message, said.data.errors, said.data.details)
    : new ApiError(response.status, 'broken', 'Something broke on our side. Nothing was changed; try again.');
}

/** Asks and checks the answer against its shape. Throws {@link ApiError}. */
export async function getJson<T>(path: string, shape: z.ZodMiniType<T>, signal?: AbortSignal): Promise<T> {
  return shape.parse(await (await ask(path, { signal })).json());
}

export async function sendJson<T>(method: string, path: string, body: unknown, shape: z.ZodMiniType<T>, signal?: AbortSignal): Promise<T> {
  return shape.parse(await (await ask(path, { method, body, signal })).json());
}

/** Sends a file as it is. */
export async function sendFile<T>(path: string, file: Blob, shape: z.ZodMiniType<T>, signal?: AbortSignal): Promise<T> {
  return shape.parse(await (await ask(path, { method: 'POST', file, signal })).json());
}

/** For what answers nothing. */
export async function send(method: string, path: string, body?: unknown): Promise<void> {
  await ask(path, { method, body });
}
