import { queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson, send, sendJson } from '../lib/api';
import type { Live } from '../lib/useLive';
import { meetingShape } from './meetings';

const named = z.object({ id: z.string(), name: z.string() });

const blueprintShape = z.object({
  id: z.string(),
  name: z.string(),
  title: z.string(),
  /** "every second Tuesday"; null: a single meeting. */
  repeats: z.nullable(z.string()),
  clock: z.nullable(z.string()),
  city: z.string(),
  minutes: z.number(),
  people: z.number(),
  joinMode: z.enum(['undecided', 'online', 'in_person', 'both', 'phone']),
  doors: z.number(),
  lobby: z.array(z.enum(['everyone', 'guests', 'not_signed_in'])),
  words: z.string(),
  used: z.number(),
  /** Whose it is; null: one's own. */
  owner: z.nullable(z.string()),
  /** The team with which it is shared. */
  team: z.nullable(named),
  mayChange: z.boolean(),
});
export type Blueprint = z.infer<typeof blueprintShape>;

const listShape = z.object({ blueprints: z.array(blueprintShape), teams: z.array(named) });

export const blueprintsQuery = queryOptions({
  queryKey: ['blueprints'],
  queryFn: ({ signal }) => getJson('blueprints', listShape, signal),
  meta: { live: { topics: ['blueprint', 'team', 'person'] } satisfies Live },
});

export type BlueprintEntry = { name: string; teamId: string | null; words: string };

export const keepBlueprint = (meetingId: string, entry: BlueprintEntry) =>
  sendJson('POST', 'blueprints', { meetingId, ...entry }, blueprintShape);
export const changeBlueprint = (id: string, entry: Partial<BlueprintEntry>) => sendJson('PATCH', `blueprints/${id}`, entry, blueprintShape);
export const takeOver = (id: string, meetingId: string) => sendJson('PUT', `blueprints/${id}/content`, { meetingId }, blueprintShape);
export const orderBlueprints = (ids: string[]) => sendJson('PUT', 'blueprints/order', { ids }, listShape);
export const deleteBlueprint = (id: string) => send('DELETE', `blueprints/${id}`);

/** A draft that begins with what a blueprint holds. */
export const startFrom = (blueprint: string) => sendJson('POST', 'meetings', { blueprint }, meetingShape);
