import { expect, it } from 'vitest';
import { sampleMeeting, sampleSheet } from './samples';
import { wasBar } from './was';

const day = { barAt: 570, barMinutes: 45 };
const wall = '2026-12-15T16:00:00';

it.each([
  ['half an hour later', { startLocal: '2026-12-08T16:00:00' }, {}, { at: 540, minutes: 45 }],
  ['longer', { durationMinutes: 60 }, {}, { at: 570, minutes: 45 }],
  ['as it was', {}, {}, null],
  ['on another clock', { startLocal: '2026-12-08T16:00:00', zone: 'Europe/Lisbon' }, {}, null],
  ['moved to another day', { startLocal: '2026-12-08T16:00:00', moved: [{ date: '2026-12-14T16:00:00', to: wall }] }, {}, null],
  ['days', { allDay: true, durationMinutes: 1440 }, { allDay: true }, null],
])('%s', (_, over, sent, expected) => {
  expect(wasBar(sampleSheet(over), sampleMeeting(sent), wall, day)).toEqual(expected);
});

it('has none where nothing was sent', () => {
  expect(wasBar(sampleSheet({ durationMinutes: 60 }), undefined, wall, day)).toBeNull();
});
