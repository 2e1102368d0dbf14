import { fireEvent, render, screen, within } from '@testing-library/react';
import { expect, it, vi } from 'vitest';
import type { Offer, OfferTime } from './offers';
import { OfferPanel } from './OfferPanel';
import type { Sheet } from './sheet';
import type { OfferState } from './useOffer';

const time = (id: number, wall: string, said: Partial<OfferTime> = {}): OfferTime => ({
  id,
  start: `${wall}Z`,
  wall,
  accepted: [],
  tentative: [],
  declined: [],
  awaiting: [],
  ...said,
});
const offer: Offer = {
  minutes: 45,
  words: null,
  untilLocal: '2026-12-04T23:59:00',
  isLate: false,
  times: [time(2, '2026-12-08T18:00:00', { accepted: ['r', 'p'] }), time(1, '2026-12-08T15:30:00', { declined: ['r'], awaiting: ['p'] })],
  guests: [
    {
      id: 'r',
      name: 'Rosa',
      city: 'Lima',
      answeredLocal: '2026-12-01T10:00:00',
      comment: 'Mornings, please.',
      mail: 'sent',
      outcome: null,
    },
    { id: 'p', name: 'Piet', city: null, answeredLocal: null, comment: null, mail: 'refused', outcome: '550 no such user' },
  ],
};

function open(over: Partial<Offer> = {}, minutes = 45) {
  const spies = { mark: vi.fn(), take: vi.fn(), again: vi.fn(), withdraw: vi.fn(), setOpen: vi.fn() };
  const state = { marked: offer.times[0], isWorking: false, ...spies };
  render(
    <OfferPanel
      state={state as unknown as OfferState}
      offer={{ ...offer, ...over }}
      sheet={{ durationMinutes: minutes } as unknown as Sheet}
      city="Nairobi"
    />,
  );
  return spies;
}

it('says of each time who comes, who cannot and who has not said', () => {
  open();
  const [best, other] = within(screen.getByRole('region', { name: 'Offered times' })).getAllByRole('button');
  expect(best).toHaveTextContent('Tuesday 8 December, 18:00 NairobiRosa and Piet will come.');
  expect(other).toHaveTextContent('Rosa cannot come.Piet has not said.');
  expect(screen.getByText(/1 of 2 has answered. Answers come until 4 Dec, 23:59./)).toBeInTheDocument();
});

it('says what became of mails, where somebody is not known to be, and what they added', () => {
  const { again } = open();
  const guests = within(screen.getByRole('region', { name: 'Who was asked' }));
  expect(guests.getByText('The mail did not arrive. 550 no such user')).toBeInTheDocument();
  expect(guests.getByText('no answer yet, place not known; asked there')).toBeInTheDocument();
  expect(guests.getByText('Mornings, please.')).toBeInTheDocument();
  fireEvent.click(guests.getAllByRole('button', { name: 'Send a new link' })[1] as Element);
  expect(again).toHaveBeenCalledWith('p');
});

it('is walked by arrow keys and left by Escape; Enter alone sends nothing', () => {
  const { mark, take, setOpen } = open();
  const key = (name: string) => fireEvent.keyDown(document.activeElement as Element, { key: name });
  expect((document.activeElement as HTMLElement).dataset['offered']).toBe('2026-12-08T18:00:00');
  key('ArrowDown');
  expect(mark.mock.lastCall?.[0]).toMatchObject({ id: 1 });
  key('ArrowDown');
  expect((document.activeElement as HTMLElement).dataset['offered']).toBe('2026-12-08T15:30:00');
  key('Enter');
  expect(take).not.toHaveBeenCalled();
  key('Escape');
  expect(setOpen).toHaveBeenCalledWith(false);
});

it('says that another length was offered, and asks nobody again once it is late', () => {
  open({ isLate: true }, 60);
  expect(screen.getByText('Offered with 45 minutes; the sheet has 60 now.')).toBeInTheDocument();
  expect(screen.getByText(/The time to answer was over on 4 Dec/)).toBeInTheDocument();
  expect(screen.queryByRole('button', { name: 'Send a new link' })).toBeNull();
});
