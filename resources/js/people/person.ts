import { queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson, send, sendJson } from '../lib/api';
import type { Live } from '../lib/useLive';
import { hours, personShape, type Hours } from './people';

const journeyShape = z.object({ id: z.number(), zone: z.string(), city: z.string(), fromOn: z.string(), untilOn: z.string() });
export type Journey = z.infer<typeof journeyShape>;

const pageShape = z.extend(personShape, {
  own: z.boolean(),
  phone: z.nullable(z.string()),
  quietHours: hours,
  /** Of everybody who has none of their own, "09:00-11:00". */
  houseQuiet: z.nullable(z.string()),
  since: z.string(),
  countryName: z.nullable(z.string()),
  regionName: z.nullable(z.string()),
  holidaysKnown: z.boolean(),
  keepsHolidays: z.boolean(),
  /** Whether the house leaves it to the person. */
  holidaysOpen: z.boolean(),
  journeys: z.array(journeyShape),
  standIn: z.nullable(personShape),
  standsInFor: z.array(z.object({ id: z.string(), name: z.string() })),
  teams: z.array(z.object({ id: z.string(), name: z.string() })),
  hasAccount: z.boolean(),
});
export type PersonPage = z.infer<typeof pageShape>;

export const personQuery = (id: string) =>
  queryOptions({
    queryKey: ['person', id],
    queryFn: ({ signal }) => getJson(`people/${id}`, pageShape, signal),
    meta: { live: { topics: ['person'] } satisfies Live },
  });

const dayShape = z.object({
  on: z.string(),
  /** Minutes of the person's own day. */
  hours: z.array(z.tuple([z.number(), z.number()])),
  /** When it is no night, hours included. */
  dusk: z.array(z.tuple([z.number(), z.number()])),
  holiday: z.nullable(z.string()),
  city: z.string(),
  /** From, until, what it is, what for. */
  blocks: z.array(z.tuple([z.number(), z.number(), z.enum(['busy', 'tentative', 'away']), z.string()])),
});

const weekShape = z.object({
  from: z.string(),
  today: z.string(),
  zone: z.string(),
  city: z.string(),
  days: z.array(dayShape),
  ahead: z.array(
    z.object({
      id: z.string(),
      title: z.string(),
      local: z.string(),
      light: z.enum(['in_hours', 'before_hours', 'after_hours', 'between_hours', 'day_off', 'night', 'unknown']),
      host: z.nullable(z.string()),
      repeats: z.boolean(),
    }),
  ),
  dates: z.number(),
  outside: z.number(),
  nights: z.number(),
});
export type Week = z.infer<typeof weekShape>;

/** A week of somebody's, and the meetings ahead of them; null: this week. */
export const weekQuery = (id: string, from: string | null) =>
  queryOptions({
    queryKey: ['person-week', id, from],
    queryFn: ({ signal }) => getJson(`people/${id}/week${from ? `?from=${from}` : ''}`, weekShape, signal),
    placeholderData: (before, query) => (query?.queryKey[1] === id ? before : undefined),
    meta: { live: { topics: ['person', 'meeting'] } satisfies Live },
  });

const placesShape = z.object({
  countries: z.array(z.object({ code: z.string(), name: z.string() })),
  regions: z.array(z.object({ code: z.string(), name: z.string() })),
  holidaysKnown: z.boolean(),
});

/** Countries, and the regions of one that have holidays of their own. */
export const placesQuery = (country: string | null) =>
  queryOptions({
    queryKey: ['places', country],
    queryFn: ({ signal }) => getJson(`places?country=${country ?? ''}`, placesShape, signal),
    staleTime: Infinity,
    placeholderData: (before) => before && { ...before, regions: [] },
  });

export type PersonChange = Partial<{
  zone: string | null;
  language: string | null;
  country: string | null;
  region: string | null;
  phone: string;
  hours: Hours;
  quietHours: Hours;
  keepsHolidays: boolean | null;
  standInId: string | null;
}>;

export const changePerson = (id: string, change: PersonChange) => sendJson('PATCH', `people/${id}`, change, personShape);

export const addJourney = (id: string, journey: { zone: string; fromOn: string; untilOn: string }) =>
  sendJson('POST', `people/${id}/journeys`, journey, journeyShape);

export const removeJourney = (id: string, journey: Journey) => send('DELETE', `people/${id}/journeys/${journey.id}`);
