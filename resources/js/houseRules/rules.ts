import { queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { settingsShape } from '../joining/room';
import { getJson, sendJson } from '../lib/api';

const shape = z.object({
  organisation: z.string(),
  organizer: z.enum(['meeting', 'host']),
  holidays: z.boolean(),
  plannedHereIsAll: z.boolean(),
  pauseMinutes: z.number(),
  noticeHours: z.number(),
  mostADay: z.nullable(z.number()),
  quietHours: z.nullable(z.string()),
  largeTeam: z.number(),
  forgetGuestsMonths: z.nullable(z.number()),
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

export const changeRules = (change: RulesChange) => sendJson('PUT', 'house-rules', change, shape);
