import { render, screen, within } from '@testing-library/react';
import { describe, expect, it } from 'vitest';
import type { Answers, Partstat } from './answers';
import { AnswerThreads } from './AnswerThreads';

const person = (id: string, name: string): Answers['people'][number]['person'] => ({
  id,
  kind: 'colleague',
  name,
  email: `${id}@garden.example`,
  job: null,
  zone: null,
  city: null,
  country: null,
  region: null,
  language: null,
  hours: {},
  hoursAssumed: true,
  left: false,
  initials: id.toUpperCase(),
});
const asked = (id: string, name: string, over: Partial<Answers['people'][number]> = {}): Answers['people'][number] => ({
  person: person(id, name),
  role: 'required',
  isHost: false,
  partstat: 'accepted',
  comment: null,
  via: null,
  answeredLocal: null,
  comments: [],
  undelivered: null,
  ...over,
});
const date = (day: string, said: Record<string, Partstat>, lost: string[] = []): Answers['dates'][number] => ({
  date: `2026-12-${day}T15:30:00`,
  local: `2026-12-${day}T15:30:00`,
  said,
  required: 2,
  coming: 1,
  lost,
});

const show = (dates: Answers['dates'], people = [asked('iv', 'Inês Varela'), asked('ro', 'Rosa')]) => {
  render(<AnswerThreads answers={{ people, dates, answered: 1, replies: [], maySay: true }} />);
  return screen
    .getAllByRole('row')
    .slice(1)
    .map((row) =>
      within(row)
        .getAllByRole('cell')
        .map((cell) => cell.textContent),
    );
};

describe('AnswerThreads', () => {
  it('says of each date what each of its people says, and sums it up in words', () => {
    const rows = show([
      date('08', { iv: 'accepted', ro: 'accepted' }),
      date('15', { iv: 'declined', ro: 'tentative' }, ['iv']),
      date('22', { ro: 'needs-action' }),
    ]);
    expect(rows).toEqual([
      ['accepted', 'accepted', 'All come'],
      ['declined–', 'tentative', 'Inês Varela cannot. Perhaps: Rosa.'],
      ['not asked', 'awaiting', '1 is silent.'],
    ]);
  });

  it('names who got no mail', () => {
    show(
      [date('08', { iv: 'accepted', ro: 'needs-action' })],
      [asked('iv', 'Inês Varela'), asked('ro', 'Rosa', { undelivered: '550 no such mailbox' })],
    );
    expect(screen.getByText('The mail to Rosa did not arrive: 550 no such mailbox')).toBeDefined();
  });
});
