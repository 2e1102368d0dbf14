// Writes the public holidays of all countries and their regions out of the npm package date-holidays (ISC; its data CC-BY-3.0)
// into a folder, a file a country: {"name", "regions": {"WA": "Western Australia"}, "days": {"": [["2027-01-01", "New Year's Day"]]}}.
import fs from 'node:fs';
import path from 'node:path';
import Holidays from 'date-holidays';

const [folder, year] = process.argv.slice(2);
const YEARS = [...Array(8).keys()].map((n) => Number(year) - 1 + n);
const A_DAY = 86_400_000;

/** Whole days; what takes part of one only is left out. */
function daysOf(...place) {
  const found = new Map();
  const calendar = new Holidays(...place);
  for (const one of YEARS) {
    for (const { type, date, start, end, name } of calendar.getHolidays(one, 'en') || []) {
      const days = Math.round((end - start) / A_DAY);
      for (let n = 0; type === 'public' && n < days; n += 1) {
        const day = new Date(Date.parse(`${date.slice(0, 10)}T00:00:00Z`) + n * A_DAY).toISOString().slice(0, 10);
        found.set(day, found.has(day) && found.get(day) !== name ? `${found.get(day)}, ${name}` : name);
      }
    }
  }
  return [...found].sort(([a], [b]) => (a < b ? -1 : 1));
}

const made = `${folder}.new`;
fs.rmSync(made, { recursive: true, force: true });
fs.mkdirSync(made, { recursive: true });
const all = new Holidays();
const countries = all.getCountries('en');
for (const [country, name] of Object.entries(countries)) {
  const regions = {};
  const days = { '': daysOf(country) };
  for (const [state, stateName] of Object.entries(all.getStates(country, 'en') || {})) {
    regions[state] = stateName;
    days[state] = daysOf(country, state);
    for (const [region, regionName] of Object.entries(all.getRegions(country, state, 'en') || {})) {
      regions[`${state}-${region}`] = `${stateName}, ${regionName}`;
      days[`${state}-${region}`] = daysOf(country, state, region);
    }
  }
  fs.writeFileSync(path.join(made, `${country}.json`), JSON.stringify({ name, regions, days }));
}
if (Object.keys(countries).length < 150) {
  throw new Error(`expected some two hundred countries, got ${Object.keys(countries).length}`);
}
fs.writeFileSync(path.join(made, 'years.json'), JSON.stringify({ from: YEARS[0], until: YEARS.at(-1) }));
fs.rmSync(folder, { recursive: true, force: true });
fs.renameSync(made, folder);
