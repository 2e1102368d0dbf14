// Reads VTIMEZONEs with ical.js and prints the offset of each at given moments. Lines of {tzid, ics, moments} in.
import ICAL from 'ical.js';
import fs from 'node:fs';

for (const line of fs.readFileSync(0, 'utf8').trim().split('\n')) {
  const { tzid, ics, moments } = JSON.parse(line);
  const zone = new ICAL.Timezone(
    new ICAL.Component(ICAL.parse(`BEGIN:VCALENDAR\r\n${ics}END:VCALENDAR\r\n`)).getFirstSubcomponent('vtimezone'),
  );
  const utc = ICAL.Timezone.utcTimezone;
  const offsets = moments.map((moment) => {
    const time = ICAL.Time.fromJSDate(new Date(moment * 1000), true);
    time.zone = utc;
    const local = time.convertToZone(zone);
    return (Date.UTC(local.year, local.month - 1, local.day, local.hour, local.minute, local.second) - moment * 1000) / 1000;
  });
  console.log(JSON.stringify({ tzid, offsets }));
}
