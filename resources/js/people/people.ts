import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import * as z from 'zod/mini';
import { getJson, sendJson } from '../lib/api';
import type { Live } from '../lib/useLive';

export const hours = z.record(z.string(), z.array(z.tuple([z.string(), z.string()])));

export const personShape = z.object({
  id: z.string(),
  kind: z.enum(['colleague', 'guest']),
  name: z.nullable(z.string()),
  email: z.string(),
  job: z.nullable(z.string()),
  zone: z.nullable(z.string()),
  city: z.nullable(z.string()),
  country: z.nullable(z.string()),
  region: z.nullable(z.string()),
  /** Null: not known. */
  language: z.nullable(z.string()),
  hours,
  hoursAssumed: z.boolean(),
  /** No longer with the house. */
  left: z.boolean(),
  initials: z.string(),
});

export type Person = z.infer<typeof personShape>;
export type Hours = z.infer<typeof hours>;

export const called = (person: { name: string | null; email: string }): string => person.name ?? person.email;

const listedShape = z.extend(personShape, { account: z.nullable(z.object({ id: z.string(), role: z.string(), active: z.boolean() })) });
export type ListedPerson = z.infer<typeof listedShape>;

const pageShape = z.object({ people: z.array(listedShape), page: z.number(), pages: z.number(), total: z.number() });

export const peopleQuery = (q: string, kind: string, page: number) =>
  queryOptions({
    queryKey: ['people', { q, kind, page }],
    queryFn: ({ signal }) => getJson(`people?${new URLSearchParams({ q, kind, page: String(page) })}`, pageShape, signal),
    placeholderData: keepPreviousData,
    meta: { live: { topics: ['person'] } satisfies Live },
  });

const earlierShape = z.array(z.object({ id: z.string(), title: z.string(), people: z.array(personShape) }));

/** Meetings whose title begins so, with their people. */
export const earlierQuery = (q: string) =>
  queryOptions({
    queryKey: ['earlier-people', q],
    queryFn: ({ signal }) => getJson(`people/of-meetings?${new URLSearchParams({ q })}`, earlierShape, signal),
    placeholderData: keepPreviousData,
    staleTime: 30_000,
    retry: false,
  });

export const suggestQuery = (q: string) =>
  queryOptions({
    queryKey: ['suggest', q],
    queryFn: ({ signal }) => getJson(`people/suggest?${new URLSearchParams({ q })}`, z.array(personShape), signal),
    enabled: q.trim() !== '',
    placeholderData: keepPreviousData,
  });

const checkShape = z.object({
  typed: z.string(),
  address: z.nullable(z.string()),
  name: z.nullable(z.string()),
  problem: z.nullable(z.string()),
  suggestion: z.nullable(z.string()),
  message: z.nullable(z.string()),
});
export type AddressCheck = z.infer<typeof checkShape>;

export const addressQuery = (address: string) =>
  queryOptions({
    queryKey: ['address', address],
    queryFn: async ({ signal }): Promise<AddressCheck[]> =>
      (await sendJson('POST', 'guests/check', { address }, z.object({ addresses: z.array(checkShape) }), signal)).addresses,
    enabled: address.trim() !== '',
    placeholderData: keepPreviousData,
    staleTime: 60_000,
  });

/** The people with these addresses: all of them, or none. */
export const rememberGuests = (addresses: string[]) => sendJson('POST', 'guests', { addresses }, z.array(personShape));

/** An address as it is handed in, with the name that stood beside it. */
export const written = ({ name, address }: AddressCheck): string => (name ? `"${name.replaceAll('"', '')}" <${address}>` : (address ?? ''));
