import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, fireEvent, render, screen, waitFor } from '@testing-library/react';
import { afterEach, expect, it, vi } from 'vitest';
import { SignInAgain } from './SignInAgain';

const account = { id: 'a', name: 'Wanjiru', email: 'wanjiru@seed.example', role: 'coordinator', plans: true, shortcuts: true } as never;

const answer = (status: number, body: unknown) =>
  new Response(JSON.stringify(body), { status, headers: { 'Content-Type': 'application/json' } });

afterEach(() => vi.unstubAllGlobals());

async function open(client = new QueryClient()) {
  render(
    <QueryClientProvider client={client}>
      <SignInAgain account={account} />
    </QueryClientProvider>,
  );
  // The keys of another test may be a moment ago.
  fireEvent.change(await screen.findByLabelText('Password', {}, { timeout: 4000 }), { target: { value: 'three green seedlings' } });
  fireEvent.click(screen.getByRole('button', { name: 'Go on' }));
}

it('signs in the one whose page it is, and lets nothing answer late that was asked before', async () => {
  const client = new QueryClient();
  let stopped = false;
  void client.prefetchQuery({
    queryKey: ['board'],
    queryFn: ({ signal }) =>
      new Promise((_, refuse) => {
        signal.addEventListener('abort', () => {
          stopped = true;
          refuse(new Error('stopped'));
        });
      }),
  });
  const fetched = vi.fn(async (_url: string, _asked: RequestInit) =>
    answer(422, { code: 'invalid', message: 'That is not the password.', errors: {}, details: {} }),
  );
  vi.stubGlobal('fetch', fetched);
  await open(client);
  await screen.findByText('That is not the password.');
  expect(stopped).toBe(true);
  const [, asked] = fetched.mock.calls.find(([, made]) => made.method === 'POST') ?? [];
  expect(JSON.parse(String(asked?.body))).toEqual({ email: 'wanjiru@seed.example', password: 'three green seedlings' });
});

it('does not come between while somebody types', async () => {
  vi.useFakeTimers();
  fireEvent.keyDown(document.body, { key: 'a' });
  render(
    <QueryClientProvider client={new QueryClient()}>
      <SignInAgain account={account} />
    </QueryClientProvider>,
  );
  act(() => vi.advanceTimersByTime(900));
  expect(screen.queryByLabelText('Password')).toBeNull();
  fireEvent.keyDown(document.body, { key: 'b' });
  act(() => vi.advanceTimersByTime(900));
  expect(screen.queryByLabelText('Password')).toBeNull();
  act(() => vi.advanceTimersByTime(300));
  expect(screen.queryByLabelText('Password')).not.toBeNull();
  vi.useRealTimers();
});

it('says what went wrong and keeps what was typed', async () => {
  vi.stubGlobal('fetch', async () =>
    answer(429, { code: 'too_many_tries', message: 'Wait 5 seconds and try again.', errors: {}, details: {} }),
  );
  await open();
  await screen.findByText('Wait 5 seconds and try again.');
  await waitFor(() => expect((screen.getByLabelText('Password') as HTMLInputElement).value).toBe('three green seedlings'));
});
