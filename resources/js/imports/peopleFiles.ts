import * as z from 'zod/mini';
import { getJson, send, sendFile, sendJson } from '../lib/api';

/** Octets; the server takes no more. */
export const MOST = 15_000_000;

/** What a column can hold. */
export const FIELDS = [
  'name',
  'givenName',
  'familyName',
  'email',
  'kind',
  'zone',
  'language',
  'country',
  'region',
  'phone',
  'job',
  'hours',
  'teams',
  'standIn',
  'calendar',
] as const;
export type PersonField = (typeof FIELDS)[number];
export type Mapping = Partial<Record<PersonField, number>>;

const countsShape = z.object({ new: z.number(), changed: z.number(), same: z.number(), refused: z.number() });
const refusedShape = z.array(z.object({ line: z.number(), who: z.string(), why: z.string() }));

const lookedShape = z.object({
  id: z.string(),
  name: z.string(),
  kind: z.enum(['csv', 'vcard']),
  letters: z.string(),
  delimiter: z.string(),
  hasHeading: z.boolean(),
  mapping: z.partialRecord(z.enum(FIELDS), z.number()),
  columns: z.array(z.object({ heading: z.string(), samples: z.array(z.string()) })),
  look: z.object({ counts: countsShape, refused: refusedShape }),
});
export type Looked = z.infer<typeof lookedShape>;

/** Brings a file and looks at it. Nothing is written. */
export const bringPeople = (file: File): Promise<Looked> =>
  sendFile(`people-imports?${new URLSearchParams({ name: file.name.slice(0, 200) })}`, file, lookedShape);

export const mapPeople = (id: string, mapping: Mapping, hasHeading: boolean, signal?: AbortSignal): Promise<Looked> =>
  sendJson('PUT', `people-imports/${id}`, { mapping, hasHeading }, lookedShape, signal);

const stateShape = z.object({
  id: z.string(),
  name: z.string(),
  state: z.enum(['looked', 'running', 'done', 'failed']),
  done: z.number(),
  total: z.number(),
  counts: z.nullable(countsShape),
  refused: refusedShape,
  changed: z.array(z.object({ who: z.string(), what: z.array(z.string()) })),
});
export type ImportState = z.infer<typeof stateShape>;

export const startImport = (id: string): Promise<ImportState> => sendJson('POST', `people-imports/${id}/start`, {}, stateShape);

export const importState = (id: string, signal?: AbortSignal): Promise<ImportState> => getJson(`people-imports/${id}`, stateShape, signal);

export const forgetImport = (id: string) => send('DELETE', `people-imports/${id}`);

export const isPeople = (file: File): boolean =>
  /\.(csv|tsv|vcf)$/i.test(file.name) || /^text\/(csv|vcard|x-vcard|tab-separated-values)/.test(file.type);
