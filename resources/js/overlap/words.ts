import type { TFunction } from 'i18next';
import { called, type Person } from '../people/people';
import type { DateState, Light, Standing } from './board';

export type People = ReadonlyMap<string, Person>;

const firstName = (person: Person) => person.name?.split(' ')[0] ?? called(person);

/** How often each first name is there, counted once for each crowd. */
const counted = new WeakMap<People, Map<string, number>>();

/** Somebody by their first name, where nobody else on the sheet has it. */
export function first(people: People, id: string): string {
  const person = people.get(id);
  if (!person) {
    return '?';
  }
  let names = counted.get(people);
  if (!names) {
    names = new Map();
    for (const one of people.values()) {
      names.set(firstName(one), (names.get(firstName(one)) ?? 0) + 1);
    }
    counted.set(people, names);
  }
  return (names.get(firstName(person)) ?? 0) > 1 ? called(person) : firstName(person);
}

export const isNight = (standing: { light: Light }) => standing.light === 'night';
export const isOff = (standing: { light: Light }) => !['in_hours', 'unknown'].includes(standing.light);

/** One date in a few words: the worst first. */
export function dateWords(
  t: TFunction,
  state: DateState,
  people: People,
): { text: string; tone: 'good' | 'odd' | 'broken'; all: string[] } {
  const busy = state.troubles.filter((trouble) => trouble.clashes.length > 0);
  const needed = busy.filter((trouble) => trouble.required);
  const night = state.troubles.filter((trouble) => isNight(trouble) && trouble.required);
  const off = state.troubles.filter((trouble) => isOff(trouble) && !isNight(trouble) && trouble.required);
  const clocks = [...new Set(state.shifts.filter((shift) => !shift.byAnchor).map((shift) => shift.place))];
  const all: string[] = [];
  if (needed.length > 0) {
    all.push(
      needed.length === 1 && needed[0]
        ? t(`date.${needed[0].clash ?? 'busy'}`, { name: first(people, needed[0].id) })
        : t('date.busyCount', { count: needed.length }),
    );
  }
  if (state.anchorShift !== null) {
    all.push(t('date.anchorClocks'));
  } else if (clocks.length > 0) {
    all.push(t('date.clocks', { place: clocks.join(', ') }));
  }
  if (night.length > 0) {
    all.push(t('date.night', { count: night.length }));
  }
  if (off.length > 0) {
    all.push(t('date.off', { count: off.length }));
  }
  if (busy.length > needed.length) {
    all.push(t('date.optionalBusy', { count: busy.length - needed.length }));
  }
  const tone = needed.length > 0 ? 'broken' : state.anchorShift !== null || clocks.length > 0 ? 'odd' : 'good';
  return { text: all[0] ?? t(state.unknown > 0 ? 'date.fineAsKnown' : 'date.fine'), tone, all };
}

/** What a flag says beside the clock: the worst that is known of the pane's people. */
export function lightWord(t: TFunction, standings: Standing[]): string {
  for (const clash of ['away', 'busy', 'tentative'] as const) {
    if (standings.some((standing) => standing.clashes.length > 0 && (standing.clash ?? 'busy') === clash)) {
      return t(`light.${clash}`);
    }
  }
  for (const light of ['night', 'day_off', 'before_hours', 'after_hours', 'between_hours'] as const) {
    const found = standings.filter((standing) => standing.light === light);
    if (found.length > 0) {
      return light === 'day_off' && found.every(({ holiday }) => holiday) ? t('light.holiday') : t(`light.${light}`);
    }
  }
  return '';
}

/** The whole bar in one spoken sentence. */
export function spoken(t: TFunction, standings: Standing[], people: People, anchorClock: string, anchorCity: string): string {
  const troubles = standings
    .filter((standing) => standing.clashes.length > 0 || isOff(standing))
    .map(
      (standing) =>
        `${first(people, standing.id)} ${standing.clashes.length > 0 ? t(`light.${standing.clash ?? 'busy'}`) : (standing.holiday ?? t(`light.${standing.light}`))}`,
    );
  return [`${anchorClock} ${anchorCity}`, ...troubles].join('; ');
}

export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
