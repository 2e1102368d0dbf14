import { fireEvent, render, screen, waitFor, within } from '@testing-library/react';
import { afterEach, beforeEach, expect, it, vi } from 'vitest';
import type { Offer, OfferedTime } from './offer';
import { OfferPage } from './OfferPage';

const time = (id: number, clock: string, over: Partial<OfferedTime> = {}): OfferedTime => ({
  id,
  date: 'Tuesday 8 December 2026',
  clock,
  there: '15:30 on Tuesday in Nairobi.',
  light: null,
  ground: [[0, 1440, 'day']],
  barAt: 450,
  barMinutes: 45,
  shifts: [],
  busy: null,
  reply: null,
  ...over,
});
const page = (over: Partial<Offer> = {}): Offer => ({
  language: 'en',
  direction: 'ltr',
  title: 'Grower exchange',
  lead: 'Wanjiru Achola plans this meeting.',
  words: null,
  purpose: null,
  length: 'It takes 45 minutes.',
  repeats: null,
  by: 'Please answer by Friday.',
  over: null,
  zone: 'America/Lima',
  isAsked: false,
  zoneLine: 'Times by the clock in Lima.',
  times: [time(1, '07:30'), time(2, '10:00')],
  replies: { accepted: 'I will come', tentative: 'Perhaps', declined: 'I cannot come' },
  unsaid: ['All said.', 'One left.', '2 left.'],
  comment: '',
  commentLabel: 'A few words',
  answered: null,
  calendar: null,
  say: {
    offer_send: 'Send my answer',
    offer_failed: 'It did not arrive.',
    offer_zone_change: 'I am somewhere else',
    offer_zone_label: 'My clock',
  },
  footer: 'Planned with Syndex.',
  ...over,
});

type Asked = { method: string; url: URL; body: unknown; headers: Record<string, string> };
let asked: Asked[];
let answers: ((asked: Asked) => { status?: number; body: unknown })[];

beforeEach(() => {
  asked = [];
  answers = [];
  history.replaceState(null, '', '/g/sEcReT');
  vi.stubGlobal('fetch', async (path: string, { method = 'GET', headers = {}, body }: RequestInit = {}) => {
    const one = {
      method,
      url: new URL(path, 'http://x'),
      body: typeof body === 'string' ? (JSON.parse(body) as unknown) : body,
      headers: headers as Record<string, string>,
    };
    asked.push(one);
    const { status = 200, body: said } = (answers.length > 1 ? answers.shift() : answers[0])?.(one) ?? { body: page() };
    return new Response(JSON.stringify(said), { status });
  });
});
afterEach(() => vi.unstubAllGlobals());

const choose = (nth: number, reply: string) =>
  fireEvent.click(within(screen.getAllByRole('group')[nth] as HTMLElement).getByRole('radio', { name: reply }));

it('shows its word in a header and in no address, and answers only when sent', async () => {
  answers = [
    () => ({ body: page() }),
    () => ({ body: page({ answered: 'It has arrived.', times: [time(1, '07:30', { reply: 'accepted' }), time(2, '10:00')] }) }),
  ];
  render(<OfferPage />);
  expect(await screen.findByText('07:30')).toBeInTheDocument();
  expect(asked[0]).toMatchObject({ method: 'GET', headers: { Authorization: 'Bearer sEcReT' } });
  expect(asked[0]?.url.href).not.toContain('sEcReT');
  expect(screen.getByText('2 left.')).toBeInTheDocument();
  expect(screen.getByRole('button', { name: 'Send my answer' })).toBeDisabled();
  choose(0, 'I will come');
  expect(screen.getByText('One left.')).toBeInTheDocument();
  expect(asked).toHaveLength(1);
  fireEvent.click(screen.getByRole('button', { name: 'Send my answer' }));
  expect(await screen.findByText('It has arrived.')).toBeInTheDocument();
  expect(asked[1]).toMatchObject({
    method: 'PUT',
    body: {
      replies: [
        { time: 1, reply: 'accepted' },
        { time: 2, reply: null },
      ],
      zone: null,
      zoneSaid: false,
      comment: '',
    },
  });
  // It can be changed, and sent again.
  expect(screen.getByRole('button', { name: 'Send my answer' })).toBeDisabled();
  choose(0, 'Perhaps');
  expect(screen.getByRole('button', { name: 'Send my answer' })).toBeEnabled();
});

it('proposes the zone of the device where none is known, and sends it along', async () => {
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  answers = [() => ({ body: page({ isAsked: true, zone, zoneLine: 'Where will you be?' }) })];
  render(<OfferPage />);
  expect(await screen.findByText('Where will you be?')).toBeInTheDocument();
  expect(asked[0]?.url.searchParams.get('device')).toBe(zone);
  choose(0, 'I cannot come');
  fireEvent.click(screen.getByRole('button', { name: 'Send my answer' }));
  await waitFor(() => expect(asked[1]?.body).toMatchObject({ zone, zoneSaid: false }));
});

it('does not take the meeting’s clock for the guest’s where the device has no zone that is known', async () => {
  answers = [() => ({ body: page({ isAsked: true, zone: 'Africa/Nairobi' }) })];
  render(<OfferPage />);
  await screen.findByText('07:30');
  choose(0, 'I cannot come');
  fireEvent.click(screen.getByRole('button', { name: 'Send my answer' }));
  await waitFor(() => expect(asked[1]?.body).toMatchObject({ zone: null }));
});

it('asks anew by another clock, keeps what was chosen, and says so when sent', async () => {
  answers = [({ url }) => ({ body: url.pathname === '/api/zones' ? [{ id: 'Asia/Tokyo', city: 'Tokyo', region: 'Asia' }] : page() })];
  render(<OfferPage />);
  await screen.findByText('07:30');
  choose(1, 'I will come');
  fireEvent.click(screen.getByRole('button', { name: 'I am somewhere else' }));
  fireEvent.change(await screen.findByRole('combobox', { name: 'My clock' }), { target: { value: 'Asia/Tokyo' } });
  await waitFor(() => expect(asked.at(-1)?.url.searchParams.get('said')).toBe('Asia/Tokyo'));
  fireEvent.click(screen.getByRole('button', { name: 'Send my answer' }));
  await waitFor(() =>
    expect(asked.at(-1)?.body).toMatchObject({ zone: 'Asia/Tokyo', zoneSaid: true, replies: [{ reply: null }, { reply: 'accepted' }] }),
  );
});

it('keeps what was chosen where it does not arrive, and says so', async () => {
  answers = [() => ({ body: page() }), () => ({ status: 500, body: null })];
  render(<OfferPage />);
  await screen.findByText('07:30');
  choose(0, 'Perhaps');
  fireEvent.click(screen.getByRole('button', { name: 'Send my answer' }));
  expect(await screen.findByRole('alert')).toHaveTextContent('It did not arrive.');
  expect(within(screen.getAllByRole('group')[0] as HTMLElement).getByRole('radio', { name: 'Perhaps' })).toBeChecked();
});

it('says that it is over, in the guest’s language and direction, and asks nothing more', async () => {
  answers = [() => ({ body: page({ over: 'انتهى', language: 'ar', direction: 'rtl', times: [] }) })];
  render(<OfferPage />);
  expect(await screen.findByText('انتهى')).toBeInTheDocument();
  expect(document.documentElement).toHaveAttribute('dir', 'rtl');
  expect(screen.queryByRole('button', { name: 'Send my answer' })).toBeNull();
});

it('says of a link that is unknown what to do, and tries again', async () => {
  answers = [() => ({ status: 404, body: { code: 'no_such_link', message: 'This link leads to nothing.' } }), () => ({ body: page() })];
  render(<OfferPage />);
  expect(await screen.findByRole('alert')).toHaveTextContent('This link leads to nothing.');
  fireEvent.click(screen.getByRole('button', { name: 'Try again' }));
  expect(await screen.findByText('07:30')).toBeInTheDocument();
});
