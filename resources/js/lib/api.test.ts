import { afterEach, describe, expect, it, vi } from 'vitest';
import * as z from 'zod/mini';
import { ApiError, getJson } from './api';

afterEach(() => vi.unstubAllGlobals());

const answer = (status: number, body: unknown) =>
  vi.stubGlobal('fetch', async () => new Response(typeof body === 'string' ? body : JSON.stringify(body), { status }));

describe('getJson', () => {
  it('gives what has the right shape', async () => {
    answer(200, { id: 1 });
    await expect(getJson('x', z.object({ id: z.number() }))).resolves.toEqual({ id: 1 });
  });

  it('turns a refusal into an error with the code and the words of the server', async () => {
    answer(409, { code: 'locked', message: 'It is locked.', errors: {}, details: {} });
    await expect(getJson('x', z.unknown())).rejects.toMatchObject({ code: 'locked', message: 'It is locked.', status: 409 });
  });

  it('names the fields', async () => {
    answer(422, { code: 'invalid', message: 'No.', errors: { email: ['An address needs an @ sign.'] }, details: {} });
    const error = await getJson('x', z.unknown()).catch((e: unknown) => e);
    expect(error instanceof ApiError && error.field('email')).toBe('An address needs an @ sign.');
  });

  it('has words for an answer that is no answer, and for none at all', async () => {
    answer(502, '<html>bad gateway</html>');
    await expect(getJson('x', z.unknown())).rejects.toMatchObject({ code: 'broken' });
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('failed')));
    await expect(getJson('x', z.unknown())).rejects.toMatchObject({ code: 'no_answer' });
  });
});
