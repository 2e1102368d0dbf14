import type { TFunction } from 'i18next';
import { clock, dayMonth, listed, shortDate } from '../lib/time';
import { first, type People } from '../overlap/words';
import type { Rule } from './meetings';
import type { Clash, Marked, Rota, Time, Times } from './times';

/** So many people are named, and so many dates that clash. */
const NAMED = 4;
const DATES = 3;

const DAYS = ['sun', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat'] as const;

export type Told = { times: Times; people: People; city: string; rule: Rule | null };

const names = (t: TFunction, { times, people }: Told, places: number[]): string =>
  listed([
    ...places.slice(0, NAMED).map((at) => first(people, times.people[at] ?? '')),
    ...(places.length > NAMED ? [t('fits.others', { count: places.length - NAMED })] : []),
  ]);

/** On which days: "Tuesdays" of a series on one weekday, a date of a single meeting, else how far it moves. */
export function daysOf(t: TFunction, { times, rule }: Told, time: Time): string {
  if (times.dates === 1) {
    return shortDate(time.wall);
  }
  if (rule?.by === 'words' && rule.every === 'week' && rule.days.length <= 1) {
    return t(`fits.weekdays.${DAYS[new Date(`${time.wall}Z`).getUTCDay()] ?? 'mon'}`);
  }
  const day = (wall: string) => Date.parse(`${wall.slice(0, 10)}T00:00:00Z`) / 86_400_000;
  const moved = day(time.wall) - day(times.present.wall);
  return moved === 0 ? '' : t(moved > 0 ? 'fits.dayLater' : 'fits.dayEarlier', { count: Math.abs(moved) });
}

/** "11:15 Nairobi, Tuesdays" */
export const titleOf = (t: TFunction, told: Told, time: Time): string =>
  [`${clock(time.wall)} ${told.city}`, daysOf(t, told, time)].filter(Boolean).join(', ');

export const whatOf = (t: TFunction, told: Told, marked: Marked): string =>
  marked.kind === 'rota' ? t('fits.rota.short') : titleOf(t, told, marked.time);

function clashWords(t: TFunction, told: Told, one: Clash): string {
  const said = { date: dayMonth(one.wall), names: names(t, told, one.people) };
  return one.couldFrom
    ? t('fits.clashFrom', { ...said, clock: clock(one.couldFrom) })
    : t(one.away.length === one.people.length ? 'fits.clashAway' : 'fits.clash', said);
}

/** Who is free when, and who is not. */
export function freeWords(t: TFunction, told: Told, time: Time): string {
  const { times } = told;
  const required = times.required.filter(Boolean).length;
  if (time.clashDates === 0) {
    return t(required === 1 ? 'fits.freeOne' : required === 2 ? 'fits.freeBoth' : 'fits.free', { people: required, count: times.dates });
  }
  const more = time.clashDates - Math.min(DATES, time.clashes.length);
  const clashes = [
    ...time.clashes.slice(0, DATES).map((one) => clashWords(t, told, one)),
    ...(more > 0 ? [t('fits.moreDates', { count: more })] : []),
  ];
  const begin = times.dates === 1 ? t('fits.notFree') : t('fits.freeSome', { free: times.dates - time.clashDates, dates: times.dates });
  return `${begin} ${clashes.join('; ')}.`;
}

/** Required people whose count is not nothing, the most first. */
const paying = ({ times }: Told, of: (at: number) => number): number[] =>
  times.people
    .map((_, at) => at)
    .filter((at) => times.required[at] && of(at) > 0)
    .toSorted((a, b) => of(b) - of(a) || a - b);

function placed(t: TFunction, told: Told, time: Time, places: number[], of: (at: number) => number): string {
  const said = places.slice(0, NAMED).map((at) => {
    const id = told.times.people[at] ?? '';
    const local = time.locals[at];
    const count = of(at);
    return t(count === told.times.dates ? 'fits.person' : 'fits.personSome', {
      name: first(told.people, id),
      city: told.people.get(id)?.city ?? '',
      clock: local ? clock(local) : '',
      count,
      dates: told.times.dates,
    });
  });
  return listed([...said, ...(places.length > NAMED ? [t('fits.others', { count: places.length - NAMED })] : [])]);
}

/** What a time costs whom, in sentences. */
export function priceWords(t: TFunction, told: Told, time: Time): string[] {
  const nights = (at: number) => time.burden[at]?.[0] ?? 0;
  const edges = (at: number) => (time.burden[at]?.[1] ?? 0) - nights(at);
  const atNight = paying(told, nights);
  const outside = paying(told, edges);
  const unkept = time.unwished - time.noPause.reduce((sum, [, dates]) => sum + dates, 0);
  return [
    ...(atNight.length > 0 ? [t('fits.atNight', { who: placed(t, told, time, atNight, nights) })] : []),
    ...(outside.length > 0 ? [t('fits.outside', { who: placed(t, told, time, outside, edges) })] : []),
    ...(atNight.length + outside.length === 0 ? [t('fits.inHours')] : []),
    ...(time.optionalBusy > 0 ? [t('fits.optionalBusy', { count: time.optionalBusy })] : []),
    ...(time.perhaps.length > 0
      ? [
          t('fits.perhaps', {
            names: names(
              t,
              told,
              time.perhaps.map(([at]) => at),
            ),
          }),
        ]
      : []),
    ...(time.noPause.length > 0
      ? [
          t('fits.noPause', {
            minutes: told.times.pauseMinutes,
            names: names(
              t,
              told,
              time.noPause.map(([at]) => at),
            ),
          }),
        ]
      : []),
    ...(unkept > 0 ? [t('fits.unwished', { count: unkept })] : []),
    ...(time.worse.length > 0 ? [t('fits.worse', { names: names(t, told, time.worse) })] : []),
  ];
}

const worstOf = ({ times }: Told, burden: Times['present']['burden']) => {
  const nights = burden.map(([count], at) => (times.required[at] ? count : 0));
  const most = Math.max(0, ...nights);
  return { most, who: nights.flatMap((count, at) => (count === most && most > 0 ? [at] : [])) };
};

/** What the turns do for whoever is worst off. */
export function rotaWords(t: TFunction, told: Told, rota: Rota): string[] {
  const then = worstOf(told, rota.burden);
  const now = worstOf(told, told.times.present.burden);
  return [
    t('fits.rota.times', { times: listed(rota.times), city: told.city }),
    now.most <= then.most
      ? t('fits.rota.edges')
      : then.most === 0
        ? t('fits.rota.noNights', { was: now.most, whom: names(t, told, now.who) })
        : t('fits.rota.worst', { count: then.most, who: names(t, told, then.who), was: now.most, whom: names(t, told, now.who) }),
    ...(rota.turns.length > rota.weighed ? [t('fits.rota.repeats', { count: rota.weighed })] : []),
    ...(rota.busy.length > 0 ? [t('fits.rota.busy', { count: rota.busy.length })] : []),
    t('fits.rota.one'),
  ];
}

/** Why this time and no other, in one sentence that can be repeated. */
export function sentenceOf(t: TFunction, told: Told, marked: Marked): string {
  const { times } = told;
  if (marked.kind === 'rota') {
    const { rota } = marked;
    return `${t('fits.say.rota', { times: listed(rota.times), count: worstOf(told, rota.burden).most, dates: times.dates })}.`;
  }
  const { time } = marked;
  const days = daysOf(t, told, time);
  const what = [days, `${clock(time.wall)} ${told.city}`].filter(Boolean).join(', ');
  const free = times.dates - time.clashDates;
  const because =
    time.clashDates > 0
      ? t(times.holding === 0 ? 'fits.say.nearly' : 'fits.say.best', { what, free, dates: times.dates })
      : times.holding === 1
        ? t('fits.say.only', { what })
        : t('fits.say.holds', { what, count: times.dates });
  const often = (at: number) => time.burden[at]?.[1] ?? 0;
  const all = paying(told, often);
  // What happens once in a while is not the price.
  const outside = all.filter((at) => often(at) * 2 >= often(all[0] ?? 0));
  const cities = [
    ...new Map(
      outside.map((at) => {
        const city = told.people.get(times.people[at] ?? '')?.city ?? '';
        return [city, t('fits.say.night', { city, clock: clock(time.locals[at] ?? '') })] as const;
      }),
    ).values(),
  ];
  return `${because}${cities.length > 0 ? `; ${t('fits.say.price', { who: listed(cities) })}` : `, ${t('fits.say.noPrice')}`}.`;
}
