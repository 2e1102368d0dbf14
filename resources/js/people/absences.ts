import { queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson, send, sendJson } from '../lib/api';
import type { Live } from '../lib/useLive';
import { personShape } from './people';

export const absenceShape = z.object({
  id: z.number(),
  personId: z.string(),
  /** Whole days on the person's own clock, the last one included. */
  fromOn: z.string(),
  untilOn: z.string(),
  standIn: z.nullable(personShape),
  note: z.nullable(z.string()),
  showsNote: z.boolean(),
});
export type Absence = z.infer<typeof absenceShape>;

export const absencesQuery = (personId: string) =>
  queryOptions({
    queryKey: ['absences', personId],
    queryFn: ({ signal }) =>
      getJson(`people/${personId}/absences`, z.object({ name: z.string(), own: z.boolean(), absences: z.array(absenceShape) }), signal),
    meta: { live: { topics: ['person'] } satisfies Live },
  });

export type NewAbsence = { fromOn: string; untilOn: string; standInId: string | null; note: string; showsNote: boolean };

export const addAbsence = (personId: string, absence: NewAbsence) => sendJson('POST', `people/${personId}/absences`, absence, absenceShape);

export const removeAbsence = (absence: Absence) => send('DELETE', `people/${absence.personId}/absences/${absence.id}`);
