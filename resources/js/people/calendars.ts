import { queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson, send, sendFile, sendJson } from '../lib/api';
import type { Live } from '../lib/useLive';

const calendarShape = z.object({
  kind: z.enum(['feed', 'file']),
  /** The host of a feed, the name of a file. */
  label: z.string(),
  state: z.enum(['new', 'ok', 'failing']),
  problem: z.nullable(z.string()),
  failures: z.number(),
  events: z.number(),
  readLocal: z.nullable(z.string()),
  nextLocal: z.nullable(z.string()),
  /** Whether nothing found in it means free. */
  isKnown: z.boolean(),
  showsTitles: z.boolean(),
  mayShowTitles: z.boolean(),
});
export type Calendar = z.infer<typeof calendarShape>;
const shape = z.object({ calendar: z.nullable(calendarShape) });

export const calendarQuery = (personId: string) =>
  queryOptions({
    queryKey: ['calendar', personId],
    queryFn: ({ signal }) => getJson(`people/${personId}/calendar`, shape, signal),
    // The first reading takes a moment.
    refetchInterval: (query) => (query.state.data?.calendar?.state === 'new' ? 3_000 : false),
    meta: { live: { topics: ['person'] } satisfies Live },
  });

export const connectFeed = (personId: string, url: string) => sendJson('PUT', `people/${personId}/calendar`, { url }, shape);

export const readFile = (personId: string, file: File) =>
  sendFile(`people/${personId}/calendar/file?${new URLSearchParams({ name: file.name.slice(0, 200) })}`, file, shape);

export const readNow = (personId: string) => sendJson('POST', `people/${personId}/calendar/read`, {}, shape);

export const showTitles = (personId: string, showsTitles: boolean) =>
  sendJson('PATCH', `people/${personId}/calendar`, { showsTitles }, shape);

export const disconnect = (personId: string) => send('DELETE', `people/${personId}/calendar`);
