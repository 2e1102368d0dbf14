import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson, send, sendJson } from '../lib/api';
import type { Live } from '../lib/useLive';
import { personShape } from './people';

/** A team: how many people are in it itself, and in all those that lie within it too. */
const listed = z.object({ id: z.string(), name: z.string(), parentId: z.nullable(z.string()), own: z.number(), all: z.number() });
export type ListedTeam = z.infer<typeof listed>;

const live = { topics: ['team', 'person'] } satisfies Live;

export const teamsQuery = queryOptions({
  queryKey: ['teams'],
  queryFn: ({ signal }) => getJson('teams', z.array(listed), signal),
  meta: { live },
});

export const teamSuggestQuery = (q: string) =>
  queryOptions({
    queryKey: ['team-suggest', q],
    queryFn: ({ signal }) => getJson(`teams/suggest?${new URLSearchParams({ q })}`, z.array(listed), signal),
    placeholderData: keepPreviousData,
    staleTime: 30_000,
    retry: false,
  });

const teamShape = z.object({
  id: z.string(),
  name: z.string(),
  parentId: z.nullable(z.string()),
  size: z.number(),
  members: z.array(personShape),
  page: z.number(),
  pages: z.number(),
  total: z.number(),
});
export type Team = z.infer<typeof teamShape>;

export const teamQuery = (id: string, page: number) =>
  queryOptions({
    queryKey: ['team', id, page],
    queryFn: ({ signal }) => getJson(`teams/${id}?page=${page}`, teamShape, signal),
    meta: { live },
  });

const savedShape = z.object({ id: z.string(), name: z.string(), size: z.number() });

export const addTeam = (team: { name: string; parentId?: string | null; personIds?: string[] }) =>
  sendJson('POST', 'teams', team, savedShape);

export const changeTeam = (id: string, change: { name?: string; parentId?: string | null }) =>
  sendJson('PATCH', `teams/${id}`, change, savedShape);

export const dissolveTeam = (id: string) => send('DELETE', `teams/${id}`);

export const changeMembers = (id: string, change: { add?: string[]; remove?: string[] }) =>
  sendJson('POST', `teams/${id}/members`, change, z.object({ size: z.number() }));

const askedShape = z.object({
  id: z.string(),
  name: z.string(),
  people: z.array(personShape),
  /** So many that it is asked whether they are meant. */
  isLarge: z.boolean(),
  last: z.nullable(z.object({ title: z.string(), minutes: z.number(), people: z.number() })),
});
export type TeamAsAsked = z.infer<typeof askedShape>;

/** A team's people, to be asked to a meeting. */
export const teamAsAsked = (id: string) => getJson(`teams/${id}/as-asked`, askedShape);
