import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { createMemoryRouter, RouterProvider } from 'react-router';
import { afterEach, expect, it, vi } from 'vitest';
import { sampleMeeting } from '../planning/samples';
import { NoticeProvider } from '../ui/Notice';
import { ChangeReadBack } from './ChangeReadBack';
import type { ChangeBack } from './readBack';

const sheet = sampleMeeting({ id: 'sheet', changeOf: 'sent', title: 'Grower exchange', version: 7 });
const back = (over: Partial<ChangeBack> = {}): ChangeBack => ({
  meeting: sheet,
  sentence: [{ part: 'repeats', text: 'every Tuesday at 15:30' }],
  missing: [],
  from: null,
  different: [
    { what: 'time', was: '15:30 Nairobi time', now: '16:00 Nairobi time' },
    { what: 'people_gone', was: 'Rosa Quispe', now: null },
  ],
  told: [
    {
      personId: 'i',
      name: 'Inês Varela',
      role: 'required',
      changes: ['time'],
      was: '2026-12-15T12:30:00',
      now: '2026-12-15T13:00:00',
      place: 'Lisbon',
    },
    { personId: 'r', name: 'Rosa Quispe', role: 'out', changes: ['people'], was: '2026-12-15T08:30:00', now: null, place: 'La Paz' },
  ],
  untouched: [
    { name: 'Mere Tautari', isOrganizer: false },
    { name: 'Wanjiru Achola', isOrganizer: true },
  ],
  people: true,
  ...over,
});

const asked: { url: string; body: unknown }[] = [];
const page = (answer: ChangeBack) => {
  asked.length = 0;
  vi.stubGlobal('fetch', async (url: string, init?: RequestInit) => {
    asked.push({ url, body: init?.body ? JSON.parse(String(init.body)) : null });
    const said = url.includes('/letter/')
      ? { subject: 'Changed: Grower exchange', text: 'Hello' }
      : url.endsWith('/send')
        ? sampleMeeting({ id: 'sent', title: 'Grower exchange', status: 'sent' })
        : answer;
    return new Response(JSON.stringify(said), { status: 200 });
  });
  const router = createMemoryRouter(
    [
      { path: '/', element: <ChangeReadBack sheet={sheet} /> },
      { path: '/meetings/:id', element: <p>the meeting itself</p> },
    ],
    { initialEntries: ['/'] },
  );
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <NoticeProvider>
        <RouterProvider router={router} />
      </NoticeProvider>
    </QueryClientProvider>,
  );
};
afterEach(() => vi.unstubAllGlobals());

it('says what is different, who hears what in their own time, and who hears nothing', async () => {
  page(back());
  expect(await screen.findByRole('heading', { level: 1, name: '2 people hear of this change. 1 does not.' })).toBeInTheDocument();
  const rows = within(screen.getByRole('table')).getAllByRole('row').slice(1);
  expect(rows.map((row) => row.textContent)).toEqual([
    'Inês Varela requirednew timeTue 15 Dec 12:30Tue 15 Dec 13:00 Lisbon',
    'Rosa Quispe taken outtaken outTue 15 Dec 08:30 La Paz',
  ]);
  expect(screen.getByText('16:00 Nairobi time')).toBeInTheDocument();
  expect(screen.getByText(/Hear nothing:/).parentElement).toHaveTextContent('Hear nothing: Mere Tautari Tell them too');
});

it('asks again with everybody told, and sends it so', async () => {
  page(back());
  fireEvent.click(await screen.findByRole('button', { name: 'Tell them too' }));
  await waitFor(() => expect(asked.at(-1)?.url).toMatch(/tellAll=1/));
  fireEvent.click(await screen.findByRole('button', { name: 'Send it to 2 people' }));
  expect(await screen.findByText('the meeting itself')).toBeInTheDocument();
  expect(asked.find(({ url }) => url.endsWith('/send'))).toEqual({
    url: '/api/meetings/sheet/send',
    body: { version: 7, tellAll: true, words: '', leaveOut: [] },
  });
});

it('leaves somebody out, and says what becomes of them', async () => {
  page(back());
  fireEvent.click(await screen.findByRole('checkbox', { name: 'Tell Rosa Quispe' }));
  expect(screen.getByText(/told with the next message/)).toBeInTheDocument();
  fireEvent.click(screen.getByRole('button', { name: 'Send it to 1 person' }));
  expect(await screen.findByText('the meeting itself')).toBeInTheDocument();
  expect(asked.find(({ url }) => url.endsWith('/send'))?.body).toMatchObject({ leaveOut: ['r'] });
});

it.each([
  ['nothing is different', { different: [], told: [], untouched: [] }, 'Make the change'],
  ['something is missing', { missing: ['title'] as ChangeBack['missing'] }, 'Send it to 2 people'],
])('sends nothing where %s', async (_, over, button) => {
  page(back(over));
  expect(await screen.findByRole('button', { name: button })).toBeDisabled();
});
