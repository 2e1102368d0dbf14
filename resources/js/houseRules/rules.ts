import { queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { settingsShape } from '../joining/room';
import { getJson, sendJson } from '../lib/api';
import { hours } from '../people/people';

const shape = z.object({
  organisation: z.string(),
  organizer: z.enum(['meeting', 'host']),
  holidays: z.boolean(),
  plannedHereIsAll: z.boolean(),
  pauseMinutes: z.number(),
  noticeHours: z.number(),
  mostADay: z.nullable(z.number()),
  quietHours: z.nullable(z.string()),
  workingWeek: hours,
  reminderMinutes: z.nullable(z.number()),
  hidesPeople: z.enum(['guests', 'always', 'never']),
  largeTeam: z.number(),
  forgetGuestsMonths: z.nullable(z.number()),
  keepMessagesMonths: z.nullable(z.number()),
  holdSeconds: z.number(),
  feedHosts: z.array(z.string()),
  fileMegabytes: z.number(),
  /** How rooms usually are, and which settings no meeting may have otherwise. */
  room: z.object({ usual: settingsShape, locked: z.array(z.string()) }),
  /** Guests who were forgotten so far. */
  forgotten: z.object({ count: z.number(), lastAt: z.nullable(z.string()) }),
  /** Which of those that can be are left to whom they concern. */
  open: z.object({ holidays: z.boolean() }),
  mailDomain: z.string(),
});
export type Rules = z.infer<typeof shape>;
export type RulesChange = Partial<Omit<Rules, 'mailDomain' | 'forgotten'>>;

export const rulesQuery = queryOptions({ queryKey: ['house-rules'], queryFn: ({ signal }) => getJson('house-rules', shape, signal) });

/** Sent meetings whose rooms would be otherwise by now. */
export const touchedQuery = queryOptions({
  queryKey: ['house-rules', 'touched'],
  queryFn: ({ signal }) =>
    getJson(
      'house-rules/touched',
      z.object({ count: z.number(), some: z.array(z.object({ id: z.string(), title: z.string() })), all: z.boolean() }),
      signal,
    ),
});

export const changeRules = (change: RulesChange) => sendJson('PUT', 'house-rules', change, shape);
