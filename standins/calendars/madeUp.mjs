// A calendar made up of a name: what a working week holds, on the person's own clock (floating times, RFC 5545 3.3.5).
import crypto from 'node:crypto';

const TITLES = [
  'Round of the houses',
  'Stock taking',
  'Student visit',
  'Budget',
  'Dentist',
  'Field day',
  'Reading',
  'Delivery',
  'Interview',
  'Guided tour',
];
const A_DAY = 86_400_000;

const two = (n) => String(n).padStart(2, '0');
const day = (date) => `${date.getUTCFullYear()}${two(date.getUTCMonth() + 1)}${two(date.getUTCDate())}`;
const clock = (minutes) => `${two(Math.floor(minutes / 60))}${two(minutes % 60)}00`;

/** @param {string} name @param {Date} now */
export function madeUp(name, now) {
  const seed = crypto.createHash('sha256').update(name).digest();
  let at = 0;
  const roll = (most) => seed[(at += 1) % seed.length] % most;
  const monday = new Date(Date.UTC(now.getUTCFullYear(), now.getUTCMonth(), now.getUTCDate()) - ((now.getUTCDay() + 6) % 7) * A_DAY);
  const on = (days) => new Date(monday.getTime() + days * A_DAY);
  const events = [];
  const add = (days, from, minutes, lines) => {
    const date = day(on(days));
    events.push([
      'BEGIN:VEVENT',
      `UID:${name}-${events.length}@calendars.example`,
      `DTSTAMP:${day(monday)}T000000Z`,
      `DTSTART:${date}T${clock(from)}`,
      `DTEND:${date}T${clock(from + minutes)}`,
      ...lines,
      'END:VEVENT',
    ]);
  };
  // Two things each week, some single ones in the weeks around, one of them not sure and one private.
  for (let n = 0; n < 2; n += 1) {
    add(roll(5) - 14, 540 + 30 * roll(14), 30 + 30 * roll(3), ['RRULE:FREQ=WEEKLY;COUNT=60', `SUMMARY:${TITLES[roll(TITLES.length)]}`]);
  }
  for (let n = 0; n < 14; n += 1) {
    add(7 * (n >> 1) + roll(5), 540 + 30 * roll(15), 30 + 30 * roll(4), [
      `SUMMARY:${TITLES[roll(TITLES.length)]}`,
      ...(n % 5 === 1 ? ['STATUS:TENTATIVE'] : []),
      ...(n % 7 === 2 ? ['CLASS:PRIVATE'] : []),
    ]);
  }
  const birthday = on(7 + roll(20));
  events.push([
    'BEGIN:VEVENT',
    `UID:${name}-day@calendars.example`,
    `DTSTAMP:${day(monday)}T000000Z`,
    `DTSTART;VALUE=DATE:${day(birthday)}`,
    'SUMMARY:A birthday',
    'TRANSP:TRANSPARENT',
    'END:VEVENT',
  ]);
  return ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//calendars of the demo//EN', ...events.flat(), 'END:VCALENDAR', ''].join('\r\n');
}
