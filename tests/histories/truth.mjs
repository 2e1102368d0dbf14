// What of a meeting concerns whom, worked out from the plan alone: rules by ical.js on the wall clock, zones by the runtime's own data.
import ICAL from 'ical.js';

const formats = new Map();
function offsetMinutes(zone, instant) {
  if (!formats.has(zone)) {
    formats.set(zone, new Intl.DateTimeFormat('en-US', { timeZone: zone, hourCycle: 'h23', year: 'numeric', month: 'numeric', day: 'numeric', hour: 'numeric', minute: 'numeric' }));
  }
  const part = Object.fromEntries(formats.get(zone).formatToParts(instant * 1000).map(({ type, value }) => [type, Number(value)]));
  return (Date.UTC(part.year, part.month - 1, part.day, part.hour, part.minute) / 1000 - Math.floor(instant / 60) * 60) / 60;
}

/** Seconds of a wall time as if it were UTC. */
export const wallSeconds = (wall) => Date.parse(wall.length === 10 ? `${wall}T00:00:00Z` : `${wall}Z`) / 1000;
export const wallText = (seconds, allDay) => new Date(seconds * 1000).toISOString().slice(0, allDay ? 10 : 19);
export const isAllDay = (meeting) => meeting.dtstart.length === 10;

export function utc(wall, zone) {
  const seconds = wallSeconds(wall);
  const first = seconds - offsetMinutes(zone, seconds) * 60;
  return seconds - offsetMinutes(zone, first) * 60;
}

const MOST = 400;

/** The dates of the set, in order, in the form of dtstart. */
export function dateSet(meeting) {
  const allDay = isAllDay(meeting);
  const found = new Set(meeting.rdate ?? []);
  if (meeting.rrule) {
    const walk = ICAL.Recur.fromString(meeting.rrule).iterator(ICAL.Time.fromString(meeting.dtstart));
    for (let next = walk.next(), count = 0; next && count < MOST; next = walk.next(), count++) {
      found.add(next.toString());
    }
  } else {
    found.add(meeting.dtstart);
  }
  for (const out of meeting.exdate ?? []) {
    found.delete(out);
  }
  return [...found].map((wall) => (allDay ? wall.slice(0, 10) : wall)).sort();
}

/** Every date of the meeting that concerns an address, as a calendar would show it. */
export function truth(meeting, address) {
  if (!meeting || meeting.status === 'called_off') {
    return [];
  }
  const allDay = isAllDay(meeting);
  const own = new Map((meeting.overrides ?? []).map((override) => [override.recurrence_id, override]));
  return dateSet(meeting)
    .map((wall) => ({ recurrence_id: wall, ...own.get(wall) }))
    .filter((date) => (date.attendees ?? meeting.attendees).some(({ email }) => email === address))
    .map((date) => {
      const start = date.dtstart ?? date.recurrence_id;
      return JSON.stringify([
        allDay ? `day ${start}` : utc(start, meeting.tzid),
        date.duration ?? meeting.duration,
        ('summary' in date ? date.summary : meeting.summary) ?? '',
        ('location' in date ? date.location : meeting.location) ?? '',
        meeting.description ?? '',
        meeting.url ?? '',
        `mailto:${meeting.organizer.email}`,
      ]);
    })
    .sort();
}
