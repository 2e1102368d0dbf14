import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { sendJson } from '../lib/api';
import type { Live } from '../lib/useLive';
import { absenceShape } from '../people/absences';
import { personShape } from '../people/people';
import { anchorShape, drawnShape } from '../overlap/board';
import { seriesShape } from './meetings';
import { boardWire, type Sheet } from './sheet';

export const boardShape = z.object({
  ...seriesShape.shape,
  /** No rule has the moved dates: what the words would mean, and whether single dates can say it. */
  choice: z.nullable(z.object({ words: z.string(), differ: z.number(), of: z.number(), dates: z.boolean() })),
  /** Dates whose time the anchor's clock skips. */
  skipped: z.array(z.object({ date: z.string(), reads: z.string() })),
  past: z.number(),
  movedFrom: z.nullable(z.string()),
  zone: z.string(),
  zoneCity: z.string(),
  /** Who is away on some of the dates, and who covers. */
  away: z.array(absenceShape),
  /** Teams that are asked: who is in them and is not, who is asked and is no longer in them. */
  teams: z.array(
    z.object({ id: z.string(), name: z.string(), size: z.number(), notAsked: z.array(personShape), left: z.array(z.string()) }),
  ),
  /** From how many calendars it is known what people have, how old the oldest reading is, and who could not be read. */
  calendars: z.object({ count: z.number(), oldestLocal: z.nullable(z.string()), failing: z.array(z.string()), stale: z.array(z.string()) }),
  anchors: z.array(anchorShape),
  complete: z.boolean(),
  open: z.boolean(),
  board: drawnShape,
});

export type Planned = z.infer<typeof boardShape>;

/** @param change what of the sheet is looked at as if it were taken */
export const boardQuery = (meetingId: string, sheet: Sheet, index: number, change: Record<string, unknown> = {}) => {
  const body = { ...boardWire(sheet), meetingId, index, ...change };
  return queryOptions({
    queryKey: ['board', JSON.stringify(body)],
    queryFn: ({ signal }) => sendJson('POST', 'board', body, boardShape, signal),
    placeholderData: keepPreviousData,
    staleTime: 20_000,
    retry: false,
    meta: { live: { topics: ['meeting', 'person', 'team'] } satisfies Live },
  });
};

/** Where the bar was let go: the server says what that makes of the series. */
export const moveBar = (meetingId: string, sheet: Sheet, index: number, shiftMinutes: number, moveAs?: 'words' | 'dates') =>
  sendJson('POST', 'board', { ...boardWire(sheet), meetingId, index, shiftMinutes, ...(moveAs ? { moveAs } : {}) }, boardShape);

/** Another anchor zone: the first date stays at its moment, and from there on the other clock counts. */
export const anchorIn = (meetingId: string, sheet: Sheet, index: number, zone: string) =>
  sendJson('POST', 'board', { ...boardWire(sheet), meetingId, index, anchorIn: zone }, boardShape);
