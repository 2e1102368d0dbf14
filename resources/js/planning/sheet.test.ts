import { noChoices } from '../joining/room';
import { describe, expect, it } from 'vitest';
import { usualChoices } from './meetings';
import { boardWire, freshKey, taken, wire, type Sheet } from './sheet';

const sheet: Sheet = {
  title: 'Seed swap',
  purpose: 'Who sends what.',
  agenda: [{ key: freshKey(), title: 'Arrivals', minutes: 5, speaker: '' }],
  links: [
    { key: freshKey(), label: 'Lots', url: 'https://lots.example/1' },
    { key: freshKey(), label: 'half typed', url: 'https:/' },
  ],
  attendees: [],
  hostId: null,
  startLocal: '2026-12-08T15:30:00',
  zone: 'Africa/Nairobi',
  allDay: false,
  durationMinutes: 45,
  rule: null,
  extra: [],
  moved: [],
  manyAgreed: false,
  dropped: [],
  hidesPeople: null,
  joinMode: 'online',
  place: '',
  own: [],
  choices: usualChoices,
  room: noChoices,
};

describe('wire', () => {
  it('leaves a half typed link behind and keeps the keys of the page to itself', () => {
    expect(wire(sheet)).toMatchObject({
      links: [{ label: 'Lots', url: 'https://lots.example/1' }],
      agenda: [{ title: 'Arrivals', minutes: 5, speaker: '' }],
    });
    expect(JSON.stringify(wire(sheet))).not.toContain('key');
  });
});

describe('boardWire', () => {
  it('does not change with what the board does not show', () => {
    expect(boardWire({ ...sheet, title: 'Another', purpose: 'x', joinMode: 'both', place: 'y' })).toEqual(boardWire(sheet));
    expect(boardWire({ ...sheet, durationMinutes: 60 })).not.toEqual(boardWire(sheet));
  });
});

describe('taken', () => {
  it('takes what single dates have along, and lets go of dates that are none any more', () => {
    const own = { date: '2026-12-15T15:30:00', minutes: 60, title: null, place: null, people: null };
    const gone = { ...own, date: '2026-12-22T15:30:00' };
    const series = {
      startLocal: '2026-12-08T16:00:00',
      rule: null,
      dropped: [],
      extra: [],
      moved: [],
      sentence: [],
      ownDates: [{ was: own.date, now: '2026-12-15T16:00:00' }],
    };
    expect(taken(series)({ ...sheet, own: [own, gone] }).own).toEqual([{ ...own, date: '2026-12-15T16:00:00' }]);
  });
});
