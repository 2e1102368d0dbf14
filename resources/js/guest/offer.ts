import * as z from 'zod/mini';

const reply = z.enum(['accepted', 'tentative', 'declined']);
const time = z.object({
  id: z.number(),
  date: z.string(),
  clock: z.string(),
  /** The same moment where the meeting is planned; null: there it is the same. */
  there: z.nullable(z.string()),
  light: z.nullable(z.string()),
  /** Stretches of the guest's own day: from and to in minutes, and how light it is. */
  ground: z.array(z.tuple([z.number(), z.number(), z.string()])),
  barAt: z.number(),
  barMinutes: z.number(),
  shifts: z.array(z.string()),
  busy: z.nullable(z.string()),
  reply: z.nullable(reply),
});
const shape = z.object({
  language: z.string(),
  direction: z.enum(['ltr', 'rtl']),
  title: z.string(),
  lead: z.string(),
  words: z.nullable(z.string()),
  purpose: z.nullable(z.string()),
  length: z.string(),
  repeats: z.nullable(z.string()),
  by: z.nullable(z.string()),
  over: z.nullable(z.string()),
  zone: z.string(),
  isAsked: z.boolean(),
  zoneLine: z.string(),
  times: z.array(time),
  replies: z.record(reply, z.string()),
  unsaid: z.array(z.string()),
  comment: z.string(),
  commentLabel: z.string(),
  answered: z.nullable(z.string()),
  calendar: z.nullable(z.object({ isOwnFile: z.boolean(), line: z.nullable(z.string()) })),
  say: z.record(z.string(), z.string()),
  footer: z.string(),
});
const zones = z.array(z.object({ id: z.string(), city: z.string(), region: z.string() }));

export type Offer = z.infer<typeof shape>;
export type OfferedTime = z.infer<typeof time>;
export type Reply = z.infer<typeof reply>;
export type Zones = z.infer<typeof zones>;
export const REPLIES: Reply[] = ['accepted', 'tentative', 'declined'];

/** What the server said no to, in words. */
export class Refused extends Error {
  constructor(
    readonly status: number,
    readonly code: string,
    message: string,
  ) {
    super(message);
  }
}

/** The zone of this device, as it names it. */
export const deviceZone = (): string => Intl.DateTimeFormat().resolvedOptions().timeZone ?? '';

/** The guest's word stands in the address of the page and in no address that is asked for. */
const token = (): string => location.pathname.split('/')[2] ?? '';

async function ask(method: string, path: string, body?: BodyInit, type?: string): Promise<unknown> {
  const response = await fetch(path, {
    method,
    credentials: 'omit',
    headers: { Accept: 'application/json', Authorization: `Bearer ${token()}`, ...(type ? { 'Content-Type': type } : {}) },
    ...(body === undefined ? {} : { body }),
  });
  const said: unknown = await response.json().catch(() => null);
  if (!response.ok) {
    const { code = '', message = '' } = (said ?? {}) as { code?: string; message?: string };
    throw new Refused(response.status, code, message);
  }
  return said;
}

const at = (said: string | null, path = '') =>
  `/api/guest/offer${path}?${new URLSearchParams({ device: deviceZone(), ...(said ? { said } : {}) }).toString()}`;

export const readOffer = async (said: string | null): Promise<Offer> => shape.parse(await ask('GET', at(said)));

export type Answer = {
  replies: { time: number; reply: Reply | null }[];
  zone: string | null;
  zoneSaid: boolean;
  comment: string;
};

export const sendAnswer = async (answer: Answer, said: string | null): Promise<Offer> =>
  shape.parse(await ask('PUT', at(said), JSON.stringify(answer), 'application/json'));

export const giveFile = async (file: File, said: string | null): Promise<Offer> =>
  shape.parse(await ask('POST', at(said, '/busy-file'), file, 'application/octet-stream'));

export const removeFile = async (said: string | null): Promise<Offer> => shape.parse(await ask('DELETE', at(said, '/busy-file')));

export const readZones = async (): Promise<Zones> =>
  zones.parse(await (await fetch('/api/zones', { credentials: 'omit', headers: { Accept: 'application/json' } })).json());
