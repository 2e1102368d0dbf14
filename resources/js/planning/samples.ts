import { noChoices } from '../joining/room';
import type { Session } from '../people/session';
import type { Meeting } from './meetings';
import { sheetOf, type Sheet } from './sheet';
import type { Time } from './times';

/** A session of somebody who plans, or of nobody, for tests. */
export const sampleSession = (isSignedIn = true): Session => ({
  account: isSignedIn
    ? { id: 'a', personId: 'p', name: 'Wanjiru', email: 'w@garden.example', role: 'coordinator', plans: true, shortcuts: true }
    : null,
  empty: false,
  demo: null,
  now: '2026-11-28T10:00:00Z',
});

/** A meeting as the server tells it, for tests. */
export const sampleMeeting = (over: Partial<Meeting> = {}): Meeting => ({
  id: 'm',
  version: 1,
  status: 'draft',
  title: 'Seed swap',
  purpose: '',
  agenda: [],
  links: [],
  attendees: [],
  hostId: null,
  startLocal: '2026-12-08T15:30:00',
  rule: null,
  dropped: [],
  extra: [],
  moved: [],
  ownDates: [],
  own: [],
  choices: { reminderMinutes: 15, class: 'public', categories: [], takesNoTime: false, notForwarded: false },
  splitFrom: null,
  earlierId: null,
  laterId: null,
  sentence: [],
  zone: 'Africa/Nairobi',
  zoneCity: 'Nairobi',
  allDay: false,
  durationMinutes: 45,
  hidesPeople: null,
  joinMode: 'undecided',
  place: '',
  room: noChoices,
  blueprint: null,
  kit: null,
  changeOf: null,
  changeId: null,
  changedLocal: null,
  coordinator: 'Wanjiru',
  mayChange: true,
  mayInvite: true,
  runningUntil: null,
  kitStale: false,
  updatedLocal: '2026-11-28T10:00:00',
  sentLocal: null,
  calledOffLocal: null,
  ...over,
});

export const sampleSheet = (over: Partial<Sheet> = {}): Sheet => ({ ...sheetOf(sampleMeeting()), title: '', ...over });

/** A time of a search, for tests. */
export const sampleTime = (over: Partial<Time> = {}): Time => ({
  shiftMinutes: 30,
  wall: '2026-12-08T16:00:00',
  clashDates: 0,
  offHours: 0,
  optionalBusy: 0,
  offMinutes: 0,
  unwished: 0,
  clashes: [],
  perhaps: [],
  noPause: [],
  worse: [],
  burden: [],
  locals: [],
  shorterTo: null,
  ...over,
});
