// Random histories of a meeting: each step is told by `bin/syndex core itip`, each person's little calendar takes what came, and
// must then show the meeting as planned for them. Prints one line of JSON: what was tried, what was told, and the first fault.
//
// node tests/histories/run.mjs SEED HISTORIES STEPS
import { spawn } from 'node:child_process';
import { createInterface } from 'node:readline';
import { LittleCalendar } from './calendar.mjs';
import { dateSet, isAllDay, truth, wallSeconds, wallText } from './truth.mjs';

const [seed, histories, steps] = process.argv.slice(2).map(Number);
const zones = ['Europe/Lisbon', 'America/New_York', 'Africa/Nairobi', 'Asia/Kathmandu', 'Pacific/Auckland'];
const people = ['ana@x.example', 'bo@x.example', 'cleo@y.example', 'dag@y.example', 'eva@z.example', 'host@x.example'];
const roles = ['chair', 'required', 'optional'];
const A_DAY = 86400;

// mulberry32: the same seed, the same histories.
let state = seed >>> 0;
const random = () => {
  state = (state + 0x6d2b79f5) >>> 0;
  let t = state;
  t = Math.imul(t ^ (t >>> 15), t | 1);
  t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
  return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
};
const below = (n) => Math.floor(random() * n);
const one = (list) => list[below(list.length)];
const person = (email) => ({ email, name: random() < 0.5 ? null : email.split('@')[0], role: one(roles), kind: email.startsWith('host') ? 'colleague' : 'guest' });
let texts = 0;
const text = (what) => `${what} ${++texts}, with; signs\\ and\nlines`;

function fresh(uid) {
  const series = random() < 0.8;
  const meeting = {
    uid,
    sequence: 0,
    status: 'planned',
    summary: text('Title'),
    description: text('Text'),
    location: text('Room'),
    url: `https://meet.example/j?a=1,2;${++texts}`,
    organizer: { email: 'office@x.example', name: 'Office' },
    sent_by: null,
    dtstart: `2026-12-${String(7 + below(5)).padStart(2, '0')}T${String(9 + below(8)).padStart(2, '0')}:30:00`,
    tzid: one(zones),
    rrule: null,
    rdate: [],
    exdate: [],
    duration: 15 * (1 + below(6)),
    overrides: [],
    attendees: people.slice(0, 2 + below(3)).map(person),
  };
  if (series) {
    meeting.rrule = ruleFor(meeting);
  }
  return meeting;
}

const DAYS = ['SU', 'MO', 'TU', 'WE', 'TH', 'FR', 'SA'];
const dayOf = (meeting) => DAYS[new Date(wallSeconds(meeting.dtstart) * 1000).getUTCDay()];
const ruleFor = (meeting) =>
  one([
    `FREQ=WEEKLY;COUNT=${3 + below(6)}`,
    `FREQ=WEEKLY;INTERVAL=2;COUNT=${2 + below(4)}`,
    `FREQ=DAILY;COUNT=${2 + below(5)}`,
    `FREQ=WEEKLY;BYDAY=${dayOf(meeting)};COUNT=${3 + below(4)}`,
  ]);

/** Moves every date by so many seconds; a named weekday moves along. */
function shift(meeting, seconds) {
  const allDay = isAllDay(meeting);
  const moved = (wall) => wallText(wallSeconds(wall) + seconds, allDay);
  meeting.dtstart = moved(meeting.dtstart);
  meeting.rdate = meeting.rdate.map(moved);
  meeting.exdate = meeting.exdate.map(moved);
  meeting.overrides = meeting.overrides.map((o) => ({ ...o, recurrence_id: moved(o.recurrence_id), ...(o.dtstart ? { dtstart: moved(o.dtstart) } : {}) }));
  meeting.rrule = meeting.rrule?.replace(/BYDAY=\w\w/, `BYDAY=${dayOf(meeting)}`) ?? null;
}

/** What is said of dates that are none any more goes. */
function tidy(meeting) {
  if (!meeting.rrule && meeting.rdate.length === 0) {
    meeting.exdate = [];
  }
  const set = new Set(dateSet({ ...meeting, exdate: [] }));
  meeting.exdate = [...new Set(meeting.exdate)].filter((wall) => set.has(wall)).sort();
  const dates = new Set(dateSet(meeting));
  meeting.overrides = meeting.overrides.filter((o) => dates.has(o.recurrence_id));
}

/** The stored words of one date, made if there are none. */
function own(meeting, wall) {
  let override = meeting.overrides.find((o) => o.recurrence_id === wall);
  if (!override) {
    override = { recurrence_id: wall };
    meeting.overrides.push(override);
  }
  return override;
}
const isSeries = (meeting) => Boolean(meeting.rrule) || meeting.rdate.length > 0;
const copied = (list) => list.map((one) => ({ ...one }));

const edits = {
  time: (m) => shift(m, isAllDay(m) ? A_DAY : 900 * (1 + below(6)) * (random() < 0.5 ? -1 : 1)),
  day: (m) => shift(m, A_DAY * (1 + below(3))),
  zone: (m) => !isAllDay(m) && (m.tzid = one(zones.filter((z) => z !== m.tzid))),
  length: (m) => (m.duration = isAllDay(m) ? 1440 * (1 + below(3)) : 15 * (1 + below(8))),
  repeats: (m) => (m.rrule = random() < 0.2 ? null : ruleFor(m)),
  moveDate: (m) => {
    const wall = one(dateSet(m));
    if (wall && isSeries(m)) {
      own(m, wall).dtstart = wallText(wallSeconds(wall) + (isAllDay(m) ? A_DAY : 1800 * (1 + below(4))), isAllDay(m));
    }
  },
  dropDate: (m) => isSeries(m) && dateSet(m).length > 1 && m.exdate.push(one(dateSet(m))),
  putBack: (m) => m.exdate.splice(0, 1),
  addDate: (m) => isSeries(m) && m.rdate.push(wallText(wallSeconds(m.dtstart) + A_DAY * (40 + below(30)) + (isAllDay(m) ? 0 : 3600), isAllDay(m))),
  takeAdded: (m) => m.rdate.splice(0, 1),
  place: (m) => (m.location = random() < 0.2 ? null : text('Room')),
  datePlace: (m) => isSeries(m) && one(dateSet(m)) && (own(m, one(dateSet(m))).location = text('Hall')),
  join: (m) => (m.url = random() < 0.2 ? null : `https://meet.example/j/${++texts}`),
  title: (m) => (m.summary = text('Title')),
  dateTitle: (m) => isSeries(m) && one(dateSet(m)) && (own(m, one(dateSet(m))).summary = text('Own title')),
  dateLength: (m) => isSeries(m) && !isAllDay(m) && one(dateSet(m)) && (own(m, one(dateSet(m))).duration = 15 * (1 + below(8))),
  asSeries: (m) => m.overrides.splice(0, 1),
  text: (m) => (m.description = random() < 0.2 ? null : text('Text')),
  add: (m) => {
    const free = people.filter((email) => !m.attendees.some((a) => a.email === email));
    if (free.length > 0) {
      m.attendees.push(person(one(free)));
    }
  },
  takeOut: (m) => m.attendees.splice(below(m.attendees.length), 1),
  role: (m) => m.attendees.length > 0 && (one(m.attendees).role = one(roles)),
  offDate: (m) => {
    const wall = one(dateSet(m));
    if (wall && isSeries(m)) {
      const override = own(m, wall);
      const list = copied(override.attendees ?? m.attendees);
      list.splice(below(list.length), 1);
      override.attendees = list;
    }
  },
  onDate: (m) => {
    const wall = one(dateSet(m));
    if (wall && isSeries(m)) {
      const override = own(m, wall);
      const list = copied(override.attendees ?? m.attendees);
      const email = one(people);
      if (!list.some((a) => a.email === email)) {
        override.attendees = [...list, person(email)];
      }
    }
  },
  organizer: (m) => (m.organizer = random() < 0.5 ? { email: m.organizer.email, name: text('Name').split('\n')[0] } : { email: one(['office@x.example', 'desk@x.example', 'host@x.example']), name: 'Desk' }),
  sentBy: (m) => (m.sent_by = m.sent_by ? null : 'aide@x.example'),
  callOff: (m) => (m.status = 'called_off'),
  allDay: (m) => {
    if (isAllDay(m)) {
      Object.assign(m, { dtstart: `${m.dtstart}T10:00:00`, tzid: one(zones), duration: 60, rdate: [], exdate: [], overrides: [] });
    } else {
      Object.assign(m, { dtstart: m.dtstart.slice(0, 10), tzid: null, duration: 1440, rdate: [], exdate: [], overrides: [] });
    }
  },
};
const rare = { callOff: 0.25, allDay: 0.3, sentBy: 0.5 };
// Those that make one change in one list alone come as often as all others together would bring them about.
const names = [...Object.keys(edits), 'role', 'role', 'role'];

const core = spawn('bin/syndex', ['core', 'itip'], { stdio: ['pipe', 'pipe', 'inherit'] });
const answers = createInterface({ input: core.stdout })[Symbol.asyncIterator]();
async function ask(line) {
  core.stdin.write(`${JSON.stringify(line)}\n`);
  return JSON.parse((await answers.next()).value);
}

const codes = {};
const pairs = {};
let lines = 0;
let messages = 0;
let fault = null;
const same = (a, b) => JSON.stringify(a) === JSON.stringify(b);

history: for (let h = 0; h < histories; h++) {
  const uid = `history-${seed}-${h}@x.example`;
  const calendars = new Map(people.map((email) => [email, new LittleCalendar()]));
  let before = null;
  let stamp = Date.parse('2026-11-01T08:00:00Z');
  let after = fresh(uid);
  for (let step = 0; step < steps; step++) {
    const tried = [];
    if (before) {
      after = before.status === 'called_off' ? { ...structuredClone(before), status: 'planned' } : structuredClone(before);
      for (let n = 1 + below(3); n > 0; n--) {
        const name = one(names);
        if (random() < (rare[name] ?? 1)) {
          edits[name](after);
          tidy(after);
          tried.push(name);
        }
      }
    }
    if (before && step === steps - 1 && random() < 0.3) {
      after = null;
    }
    stamp += 1000 * (1 + below(5000));
    const tellAll = random() < 0.2;
    const line = { id: lines, now: new Date(stamp).toISOString().replace(/\.\d+/, ''), before, after, tell_all: tellAll };
    const answer = await ask(line);
    lines++;
    const broken = (why) => {
      fault = { why, history: h, step, tried, line, answer: answer.error ?? answer.messages.map(({ ics, ...rest }) => ({ ...rest, ics: ics.slice(0, 3000) })), untouched: answer.untouched };
    };
    if (answer.error) {
      broken('refused');
      break history;
    }
    const organizer = (after ?? before).organizer.email;
    const lists = new Set([before, after].flatMap((m) => (m ? [m.attendees, ...m.overrides.map((o) => o.attendees ?? [])] : [])).flat().map((a) => a.email));
    const told = new Set(answer.messages.map((m) => m.to));
    if (!same([...lists].filter((email) => !told.has(email)).sort(), answer.untouched) || told.has(organizer)) {
      broken('who is told and who is not');
      break history;
    }
    const order = answer.messages.map((m) => [m.to, m.recurrence_id ?? '']);
    if (!same(order, [...order].sort((a, b) => (a < b ? -1 : a > b ? 1 : 0)))) {
      broken('the order');
      break history;
    }
    const previous = (before ?? after).sequence;
    for (const message of answer.messages) {
      messages++;
      message.changes.forEach((code, at) => {
        codes[code] = (codes[code] ?? 0) + 1;
        message.changes.slice(at + 1).forEach((other) => (pairs[`${code}+${other}`] = (pairs[`${code}+${other}`] ?? 0) + 1));
      });
      const onlyWords = message.changes.every((code) => ['title', 'text', 'role', 'new'].includes(code));
      if (message.sequence < previous || message.sequence > previous + 1 || (message.method === 'CANCEL' && message.sequence === previous) || (!onlyWords && message.changes.some((c) => ['time', 'length', 'repeats', 'place', 'join', 'organizer'].includes(c)) && message.sequence === previous)) {
        broken('SEQUENCE');
        break history;
      }
      try {
        calendars.get(message.to).apply(message.ics);
      } catch (error) {
        broken(`${message.to}: ${error.message}`);
        break history;
      }
    }
    for (const email of people) {
      // Who invites has the meeting in their own calendar, and gets no messages.
      if (email === organizer || email === before?.organizer.email) {
        continue;
      }
      const expected = truth(after, email);
      const found = calendars.get(email).dates(uid);
      if (!same(found, expected)) {
        broken(`${email} has ${JSON.stringify(found)} and not ${JSON.stringify(expected)}`);
        break history;
      }
    }
    // Who was the organizer and is so no more begins with a calendar that nobody has written to.
    for (const email of [before?.organizer.email, organizer]) {
      if (calendars.has(email) && email !== organizer) {
        calendars.set(email, new LittleCalendar());
        answer.messages.filter((m) => m.to === email).forEach((m) => calendars.get(email).apply(m.ics));
      }
    }
    if (!after) {
      break;
    }
    before = { ...structuredClone(after), sequence: answer.messages[0]?.sequence ?? after.sequence };
  }
}
core.stdin.end();
console.log(JSON.stringify({ seed, lines, messages, codes, pairs, fault }));
process.exit(fault ? 1 : 0);
