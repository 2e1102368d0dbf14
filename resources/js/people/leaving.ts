import { queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson, send, sendJson } from '../lib/api';
import { personShape } from './people';

const countsShape = z.object({ hosts: z.number(), coordinates: z.number(), asked: z.number() });

/** What somebody hosts, coordinates and is asked to, of what is not over. */
export const handOverQuery = (id: string) =>
  queryOptions({
    queryKey: ['hand-over', id],
    queryFn: ({ signal }) => getJson(`people/${id}/hand-over`, countsShape, signal),
    staleTime: 0,
  });

export const handOver = (id: string, toId: string | null, leaves: boolean) =>
  sendJson(
    'POST',
    `people/${id}/hand-over`,
    { toId, leaves },
    z.object({ hosts: z.number(), coordinates: z.number(), changes: z.number() }),
  );

export const comeBack = (id: string) => send('POST', `people/${id}/back`);

export const mergeInto = (id: string, into: string) => sendJson('POST', `people/${id}/merge`, { into }, personShape);

export const forget = (id: string) => send('POST', `people/${id}/forget`);
