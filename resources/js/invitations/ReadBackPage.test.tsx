import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { MemoryRouter, Route, Routes, useLocation } from 'react-router';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Person } from '../people/people';
import { sampleMeeting } from '../planning/samples';
import { NoticeProvider } from '../ui/Notice';
import { ReadBackPage } from './ReadBackPage';
import type { ReadBack } from './readBack';

const person = (id: string, name: string): Person => ({
  id,
  kind: 'colleague',
  name,
  email: `${id}@garden.example`,
  job: null,
  zone: 'Pacific/Auckland',
  city: 'Auckland',
  language: 'en',
  hours: {},
  hoursAssumed: true,
  country: null,
  region: null,
  left: false,
  initials: name.charAt(0),
});

const readBack = (over: Partial<ReadBack> = {}): ReadBack => ({
  meeting: sampleMeeting({ version: 3, sentence: [{ text: 'on Tuesday', part: 'date' }] }),
  words: '',
  missing: [],
  odd: [],
  unsendable: [],
  recipients: ['mere', 'rosa'].map((id) => ({
    person: person(id, id === 'mere' ? 'Mere Tautari' : 'Rosa Quispe'),
    role: 'required',
    host: false,
    firstLocal: '2026-12-09T01:30:00',
    place: 'Auckland',
    placeKnown: true,
    dates: null,
  })),
  dates: 1,
  complete: true,
  ...over,
});

let sent: [string, unknown][] = [];
let refusal: Response | null = null;

function Where() {
  const { pathname, hash } = useLocation();
  return <p data-testid="where">{pathname + hash}</p>;
}

function open(data: ReadBack) {
  vi.stubGlobal('fetch', async (url: string, asked: RequestInit) => {
    if (asked.method === 'POST') {
      sent.push([url, JSON.parse(String(asked.body))]);
      return refusal ?? new Response(JSON.stringify({ ...data.meeting, status: 'sent', holdSeconds: 10 }));
    }
    return new Response(JSON.stringify(url.endsWith('/read-back') ? data : { subject: 'Seed swap', text: 'Dear Mere' }));
  });
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <NoticeProvider>
        <MemoryRouter initialEntries={['/meetings/m/read-back']}>
          <Routes>
            <Route path="/meetings/:id/read-back" element={<ReadBackPage />} />
            <Route path="*" element={<Where />} />
          </Routes>
        </MemoryRouter>
      </NoticeProvider>
    </QueryClientProvider>,
  );
}

beforeEach(() => {
  sent = [];
  refusal = null;
});
afterEach(() => vi.unstubAllGlobals());

describe('ReadBackPage', () => {
  it.each<[string, Partial<ReadBack>, string, string]>([
    [
      'a clash',
      { odd: [{ code: 'clash', personId: 'rosa', required: true, dates: [{ on: '2026-12-08', label: 'Lot review' }] }] },
      '8 Dec clashes for Rosa Quispe',
      'time',
    ],
    [
      'several clashes',
      {
        odd: [
          {
            code: 'clash',
            personId: 'rosa',
            required: true,
            dates: [
              { on: '2026-12-08', label: 'Lot review' },
              { on: '2026-12-15', label: 'Leave' },
            ],
          },
        ],
      },
      '2 dates clash for Rosa Quispe',
      'time',
    ],
    [
      'night',
      { odd: [{ code: 'night', personId: 'mere', times: ['01:30', '00:30'], count: 2, of: 3 }] },
      'for Mere Tautari it is 01:30 or 00:30, night',
      'time',
    ],
    [
      'hours',
      { odd: [{ code: 'off_hours', personId: 'mere', times: ['19:00'], count: 3, of: 3 }] },
      'for Mere Tautari it is 19:00, outside their hours',
      'time',
    ],
    [
      'a time that its zone skips',
      { odd: [{ code: 'skipped', dates: [{ date: '2027-03-28T02:30:00', reads: '2027-03-28T03:30:00' }], place: 'Berlin' }] },
      'On 28 Mar the clocks in Berlin skip 02:30: it will be 03:30.',
      'time',
    ],
    ['dates of the past', { odd: [{ code: 'past', count: 1, of: 3 }] }, '1 of 3 dates is in the past.', 'date'],
    [
      'a long agenda',
      { odd: [{ code: 'agenda_longer', minutes: 60, of: 45 }] },
      'The agenda takes 60 minutes, but the meeting only 45.',
      'agenda',
    ],
    ['no place', { missing: ['place'] }, 'The place is missing: people will not know where to go.', 'place'],
    ['no title', { missing: ['title'] }, 'It has no title.', 'title'],
    ['nobody', { missing: ['people'] }, 'Nobody is invited.', 'people'],
  ])('says what is worth checking, and leads to it: %s', async (_, over, words, place) => {
    open(readBack(over));
    expect(await screen.findByText(words)).toBeInTheDocument();
    fireEvent.click(screen.getByRole('link', { name: 'Change it' }));
    expect(screen.getByTestId('where')).toHaveTextContent(`/meetings/m/plan#${place}`);
  });

  it('lets what is odd be left, one by one, and says when nothing is', async () => {
    open(readBack({ odd: [{ code: 'no_purpose' }, { code: 'no_host' }] }));
    for (const left of [2, 1]) {
      const buttons = await screen.findAllByRole('button', { name: 'That is fine' });
      expect(buttons).toHaveLength(left);
      fireEvent.click(buttons[0] as HTMLElement);
    }
    expect(screen.queryByRole('button', { name: 'That is fine' })).toBeNull();
    expect(sent).toEqual([]);
  });

  it('sends the version that was read back, and nothing while something is missing', async () => {
    open(readBack({ missing: ['kit'] }));
    expect(await screen.findByRole('button', { name: 'Send 2 invitations' })).toBeDisabled();
    expect(screen.getByText('Not ready to be sent.')).toBeInTheDocument();
  });

  it('sends, and offers to take it back while it is held', async () => {
    open(readBack());
    fireEvent.click(await screen.findByRole('button', { name: 'Send 2 invitations' }));
    fireEvent.click(await screen.findByRole('button', { name: 'Take it back' }));
    await waitFor(() =>
      expect(sent).toEqual([
        ['/api/meetings/m/send', { version: 3, words: '' }],
        ['/api/meetings/m/take-back', {}],
      ]),
    );
    await waitFor(() => expect(screen.getByTestId('where')).toHaveTextContent('/meetings/m/plan'));
  });

  it('says why it was not sent, and stays', async () => {
    refusal = new Response(JSON.stringify({ code: 'changed_elsewhere', message: 'Somebody changed it meanwhile.' }), { status: 409 });
    open(readBack());
    fireEvent.click(await screen.findByRole('button', { name: 'Send 2 invitations' }));
    expect(await screen.findByText(/Somebody changed it meanwhile/)).toBeInTheDocument();
    expect(screen.queryByTestId('where')).toBeNull();
  });

  it('shows each recipient their own mail, also as plain text', async () => {
    open(readBack());
    const rows = within(await screen.findByRole('table'));
    fireEvent.click(rows.getByRole('button', { name: 'Rosa Quispe' }));
    expect(screen.getByTitle('The invitation as this recipient gets it')).toHaveAttribute('src', '/api/meetings/m/letter/rosa/html?v=3');
    fireEvent.click(screen.getByRole('button', { name: 'As plain text' }));
    expect(await screen.findByText('Dear Mere')).toBeInTheDocument();
  });
});
