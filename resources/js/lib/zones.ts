import { queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson } from './api';

const zone = z.object({ id: z.string(), city: z.string(), region: z.string(), offset: z.number() });

export const zonesQuery = queryOptions({
  queryKey: ['zones'],
  queryFn: ({ signal }) => getJson('zones', z.array(zone), signal),
  staleTime: Infinity,
});
