import { keepPreviousData, queryOptions } from '@tanstack/react-query';
import { z } from 'zod';
import { getJson, sendJson } from '../lib/api';

const hours = z.record(z.string(), z.array(z.tuple([z.string(), z.string()])));

export const personShape = z.object({
  id: z.string(),
  kind: z.enum(['colleague', 'guest']),
  name: z.string().nullable(),
  email: z.string(),
  job: z.string().nullable(),
  zone: z.string().nullable(),
  city: z.string().nullable(),
  language: z.string(),
  hours,
  hoursAssumed: z.boolean(),
  initials: z.string(),
});

export type Person = z.infer<typeof personShape>;
export type Hours = z.infer<typeof hours>;

export const called = (person: { name: string | null; email: string }): string => person.name ?? person.email;

const listedShape = personShape.extend({ account: z.object({ id: z.string(), role: z.string(), active: z.boolean() }).nullable() });
export type ListedPerson = z.infer<typeof listedShape>;

const pageShape = z.object({ people: z.array(listedShape), page: z.number(), pages: z.number(), total: z.number() });

export const peopleQuery = (q: string, kind: string, page: number) =>
  queryOptions({
    queryKey: ['people', { q, kind, page }],
    queryFn: ({ signal }) => getJson(`people?${new URLSearchParams({ q, kind, page: String(page) })}`, pageShape, signal),
    placeholderData: keepPreviousData,
    meta: { live: true },
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
  address: z.string().nullable(),
  name: z.string().nullable(),
  problem: z.string().nullable(),
  suggestion: z.string().nullable(),
  message: z.string().nullable(),
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
