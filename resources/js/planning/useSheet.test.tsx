import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, renderHook } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { sessionQuery } from '../people/session';
import { meetingQuery } from './meetings';
import { sampleMeeting, sampleSession } from './samples';
import { useSheet } from './useSheet';

/** A server that answers each save as it is told; the last answer stands. */
let answers: (() => Response)[] = [];
let saved: Record<string, unknown>[] = [];
const takes = (version: number) => () => {
  const { title, purpose } = saved[saved.length - 1] as { title: string; purpose: string };
  return new Response(JSON.stringify(sampleMeeting({ version, title, purpose })));
};
const refuses =
  (status: number, code: string, details: Record<string, unknown> = {}) =>
  () =>
    new Response(JSON.stringify({ code, message: 'No.', details }), { status });

function sheet() {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: Infinity } } });
  client.setQueryData(sessionQuery.queryKey, sampleSession(true));
  const wrapper = ({ children }: { children: ReactNode }) => <QueryClientProvider client={client}>{children}</QueryClientProvider>;
  return { client, ...renderHook(() => useSheet(sampleMeeting()), { wrapper }) };
}
const later = (milliseconds: number) => act(() => vi.advanceTimersByTimeAsync(milliseconds));

beforeEach(() => {
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout', 'setInterval', 'clearInterval', 'Date'] });
  answers = [];
  saved = [];
  localStorage.clear();
  vi.stubGlobal('fetch', async (url: string, asked: RequestInit) => {
    if (asked.method !== 'PUT') {
      return new Response(JSON.stringify(sampleSession(false)));
    }
    saved.push({ url, ...(JSON.parse(String(asked.body)) as object) });
    return ((answers.length > 1 ? answers.shift() : answers[0]) ?? refuses(500, 'unexpected'))();
  });
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

describe('useSheet', () => {
  it('saves once hands rest, with the version it came from, and tells everybody on the page', async () => {
    answers = [takes(2)];
    const { result, client } = sheet();
    act(() => result.current.change({ title: 'Seed' }));
    act(() => result.current.change({ title: 'Seeds' }));
    expect(result.current.state).toBe('waiting');
    await later(1000);
    expect(saved).toMatchObject([{ url: '/api/meetings/m', title: 'Seeds', version: 1 }]);
    expect(result.current).toMatchObject({ state: 'kept', version: 2, keptLocal: '2026-11-28T10:00:00' });
    expect(client.getQueryData(meetingQuery('m').queryKey)).toMatchObject({ title: 'Seeds', version: 2 });
  });

  it.each([
    ['a server that is ill', 503, 'unexpected', 'away'],
    ['a session that ended', 401, 'signed_out', 'away'],
    ['a sheet that it will not take', 422, 'invalid', 'failed'],
  ])('holds what is typed through %s', async (_, status, code, state) => {
    answers = [refuses(status, code)];
    const { result } = sheet();
    act(() => result.current.change({ purpose: 'Who sends what' }));
    await later(1000);
    expect(result.current).toMatchObject({ state, sheet: { purpose: 'Who sends what' } });
    expect(Object.values({ ...localStorage }).join('')).toContain('Who sends what');
  });

  it('asks who is signed in when a session ended, and goes on at once when somebody is again', async () => {
    answers = [refuses(401, 'signed_out'), takes(2)];
    const { result, client } = sheet();
    act(() => result.current.change({ title: 'Seeds' }));
    await later(1000);
    expect(saved).toHaveLength(1);
    act(() => void client.setQueryData(sessionQuery.queryKey, sampleSession(false)));
    act(() => void client.setQueryData(sessionQuery.queryKey, sampleSession(true)));
    await later(10);
    expect(saved).toHaveLength(2);
    expect(result.current.state).toBe('kept');
  });

  it('goes on at once when the network is back', async () => {
    answers = [refuses(503, 'unexpected'), takes(2)];
    const { result } = sheet();
    act(() => result.current.change({ title: 'Seeds' }));
    await later(1000);
    act(() => void window.dispatchEvent(new Event('online')));
    await later(10);
    expect(result.current.state).toBe('kept');
  });

  it('lets one choose where another window was first', async () => {
    answers = [refuses(409, 'changed_elsewhere', { current: sampleMeeting({ version: 5, title: 'Theirs' }) }), takes(6)];
    const { result } = sheet();
    act(() => result.current.change({ title: 'Mine' }));
    await later(1000);
    expect(result.current.conflict).toMatchObject({ title: 'Theirs' });
    act(() => result.current.keepMine());
    await later(10);
    expect(saved[1]).toMatchObject({ title: 'Mine', version: 5 });
    act(() => result.current.undo());
    expect(result.current.sheet.title).toBe('Theirs');
  });

  it('asks before the browser leaves with something unsaved, and hands it in when the page goes', async () => {
    answers = [takes(2)];
    const { result, unmount } = sheet();
    const leaving = () => {
      const event = new Event('beforeunload', { cancelable: true });
      window.dispatchEvent(event);
      return event.defaultPrevented;
    };
    expect(leaving()).toBe(false);
    act(() => result.current.change({ title: 'Seeds' }));
    expect(leaving()).toBe(true);
    unmount();
    await later(10);
    expect(saved).toMatchObject([{ title: 'Seeds' }]);
    expect(leaving()).toBe(false);
  });
});
