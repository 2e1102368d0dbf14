// The dates of rules by rrule or ical.js. Lines of {dtstart, rrule, limit, last} in, lists of wall times out; no date past last is wanted.
import fs from 'node:fs';
import ICAL from 'ical.js';
import rrule from 'rrule';

const { RRule } = rrule;

const compact = (wall) => wall.replaceAll('-', '').replaceAll(':', '');

const readers = {
  rrule: ({ dtstart, rrule: text, limit, last }) => {
    const rule = new RRule({ ...RRule.parseString(text), dtstart: new Date(`${dtstart}Z`) });
    const found = [];
    rule.all((date) => {
      const wall = date.toISOString().slice(0, 19);
      if (wall > last) {
        return false;
      }
      found.push(wall);
      return found.length < limit;
    });
    return found;
  },
  'ical.js': ({ dtstart, rrule: text, limit, last }) => {
    const walk = ICAL.Recur.fromString(text).iterator(ICAL.Time.fromDateTimeString(dtstart));
    const found = [];
    for (let next = walk.next(); next && next.toString() <= last && found.length < limit; next = walk.next()) {
      found.push(next.toString());
    }
    return found;
  },
};

const read = readers[process.argv[2]];
for (const line of fs.readFileSync(0, 'utf8').trim().split('\n')) {
  let said;
  try {
    said = read(JSON.parse(line));
  } catch (error) {
    said = [`refused: ${error.message}`];
  }
  console.log(JSON.stringify(said));
}
