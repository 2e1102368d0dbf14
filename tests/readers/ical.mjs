// Reads iCalendar with ical.js, a reader of its own, and prints each event's starts as UTC moments.
import ICAL from 'ical.js';
import fs from 'node:fs';

const root = new ICAL.Component(ICAL.parse(fs.readFileSync(0, 'utf8')));
for (const zone of root.getAllSubcomponents('vtimezone')) {
  ICAL.TimezoneService.register(new ICAL.Timezone(zone));
}
const limit = Number(process.argv[2] ?? 100);
const events = root.getAllSubcomponents('vevent').map((component) => {
  const event = new ICAL.Event(component);
  const starts = [];
  if (event.isRecurring()) {
    const walk = event.iterator();
    for (let next = walk.next(); next && starts.length < limit; next = walk.next()) {
      starts.push(next.toUnixTime());
    }
  } else {
    starts.push(event.startDate.toUnixTime());
  }
  return {
    uid: event.uid,
    summary: event.summary,
    location: event.location,
    organizer: event.organizer,
    attendees: event.attendees.length,
    starts,
  };
});
console.log(JSON.stringify({ method: root.getFirstPropertyValue('method'), events }));
