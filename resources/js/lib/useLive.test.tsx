import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { act, render } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { concerns, useLive, type Live } from './useLive';

class Line {
  static readonly OPEN = 1;
  static readonly CLOSED = 2;
  static last: Line | null = null;
  readyState = Line.OPEN;
  onopen: (() => void) | null = null;
  onmessage: ((event: { data: string }) => void) | null = null;
  constructor(readonly url: string) {
    Line.last = this;
  }
  close() {
    this.readyState = Line.CLOSED;
  }
}

beforeEach(() => {
  vi.useFakeTimers();
  vi.stubGlobal('EventSource', Line);
  vi.stubGlobal(
    'BroadcastChannel',
    class {
      postMessage() {}
      close() {}
    },
  );
});
afterEach(() => {
  vi.useRealTimers();
  vi.unstubAllGlobals();
});

/** A page with one answer, and how often it was asked for. */
function page(live: Live | undefined) {
  const asked = vi.fn(async () => 1);
  const client = new QueryClient({ defaultOptions: { queries: { staleTime: Infinity, retry: false } } });
  function Page() {
    useLive('coordination');
    useQuery({ queryKey: ['x'], queryFn: asked, ...(live ? { meta: { live } } : {}) });
    return null;
  }
  render(
    <QueryClientProvider client={client}>
      <Page />
    </QueryClientProvider>,
  );
  return asked;
}
const later = (milliseconds: number) => act(() => vi.advanceTimersByTimeAsync(milliseconds));
const say = (data: string) => Line.last?.onmessage?.({ data });

describe('useLive', () => {
  it.each<[string, Live | undefined, string, number]>([
    ['its own meeting', { topics: ['meeting'], id: 'a' }, '{"topic":"meeting","id":"a"}', 2],
    ['another meeting', { topics: ['meeting'], id: 'a' }, '{"topic":"meeting","id":"b"}', 1],
    ['any meeting', { topics: ['meeting'] }, '{"topic":"meeting","id":"b"}', 2],
    ['a draft that it does not show', { topics: ['meeting', 'person'] }, '{"topic":"draft","id":"b"}', 1],
    ['something it cannot read', { topics: ['person'] }, 'changed', 2],
    ['what it never asks anew', undefined, '{"topic":"meeting","id":"a"}', 1],
  ])('asks anew where a hint concerns it: %s', async (_, live, hint, times) => {
    const asked = page(live);
    await later(10);
    say(hint);
    await later(300);
    expect(asked).toHaveBeenCalledTimes(times);
  });

  it('takes many hints at once for one', async () => {
    const asked = page({ topics: ['meeting'] });
    await later(10);
    for (let i = 0; i < 20; i += 1) {
      say(`{"topic":"meeting","id":"${i}"}`);
    }
    await later(300);
    expect(asked).toHaveBeenCalledTimes(2);
  });

  it('asks for everything when the line comes up, since what was said meanwhile is not known', async () => {
    const asked = page({ topics: ['person'], id: 'x' });
    await later(10);
    Line.last?.onopen?.();
    await later(300);
    expect(asked).toHaveBeenCalledTimes(2);
  });

  it('listens again after it was hung up', async () => {
    page({ topics: ['person'] });
    await later(10);
    const first = Line.last;
    first?.close();
    await later(6000);
    expect(Line.last).not.toBe(first);
  });
});

describe('concerns', () => {
  it('leaves out what has no word of it', () => {
    expect([undefined, null, true, {}].map((live) => concerns(live, { topic: '*', id: '' }))).toEqual([false, false, false, false]);
  });
});
