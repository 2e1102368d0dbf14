import { queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson } from '../lib/api';
import type { Live } from '../lib/useLive';
import { differenceShape } from './readBack';

const shape = z.object({
  steps: z.array(
    z.object({
      id: z.number(),
      kind: z.enum(['sent', 'changed', 'called_off', 'reissued', 'readdressed', 'sent_again', 'taken_back']),
      by: z.nullable(z.string()),
      atLocal: z.string(),
      takenBackLocal: z.nullable(z.string()),
      different: z.array(differenceShape),
      words: z.nullable(z.string()),
      /** People to whom something went out. */
      told: z.number(),
      canRestore: z.boolean(),
    }),
  ),
});

export const historyQuery = (id: string) =>
  queryOptions({
    queryKey: ['history', id],
    queryFn: ({ signal }) => getJson(`meetings/${id}/history`, shape, signal),
    meta: { live: { topics: ['meeting', 'dispatch'] } satisfies Live },
  });
