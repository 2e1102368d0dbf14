// Mailboxes of calendar messages, each applied in order by a little calendar: what does it show?
// In: {"who": [text, ...]}. Out: {"who": ["2026-12-08T12:30Z 45 Room 3", ...]}.
import { readFileSync } from 'node:fs';
import { LittleCalendar } from './calendar.mjs';

const shown = {};
for (const [who, texts] of Object.entries(JSON.parse(readFileSync(0, 'utf8')))) {
  const calendar = new LittleCalendar();
  texts.forEach((text) => calendar.apply(text));
  shown[who] = calendar
    .uids()
    .flatMap((uid) => calendar.dates(uid))
    .map((text) => JSON.parse(text))
    .map(([start, length, , place]) => `${new Date(start * 1000).toISOString().slice(0, 16)}Z ${length} ${place}`)
    .sort();
}
process.stdout.write(JSON.stringify(shown));
