import * as z from 'zod/mini';
import { sendFile } from '../lib/api';
import { meetingShape } from '../planning/meetings';

/** Octets; the server takes no more. */
export const MOST = 60_000_000;

const warned = {
  warnings: z.array(z.object({ line: z.nullable(z.number()), message: z.string() })),
  moreWarnings: z.number(),
};

const foundShape = z.object({
  events: z.array(
    z.object({
      key: z.string(),
      title: z.string(),
      start: z.string(),
      allDay: z.boolean(),
      repeated: z.boolean(),
      people: z.number(),
    }),
  ),
  total: z.number(),
  ...warned,
});
export type Found = z.infer<typeof foundShape>;

const openedShape = z.object({ meeting: meetingShape, notes: z.array(z.string()), ...warned });
export type Opened = z.infer<typeof openedShape>;

/** What is in a calendar file. Nothing is kept. */
export const lookThrough = (file: Blob, words: string, signal?: AbortSignal): Promise<Found> =>
  sendFile(`calendar-files/look?${new URLSearchParams({ q: words })}`, file, foundShape, signal);

/** One of its events, as a draft. */
export const openEvent = (file: Blob, key: string): Promise<Opened> =>
  sendFile(`calendar-files?${new URLSearchParams({ event: key })}`, file, openedShape);
