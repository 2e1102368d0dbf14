import * as z from 'zod/mini';

const countryRule = z.nullable(z.union([z.object({ allow: z.array(z.string()) }), z.object({ refuse: z.array(z.string()) })]));
const codes = z.array(z.string());

/** Each setting of a room, and what it can be. */
const values = {
  opens: z.number(),
  doors: z.number(),
  beforeHost: z.enum(['enter', 'lobby', 'wait']),
  lobby: z.array(z.enum(['everyone', 'guests', 'not_signed_in'])),
  invitedOnly: z.boolean(),
  signIn: z.boolean(),
  passcode: z.boolean(),
  passcodeLength: z.number(),
  passcodeInLink: z.boolean(),
  linkPicture: z.boolean(),
  countries: countryRule,
  capacity: z.nullable(z.number()),
  lock: z.nullable(z.number()),
  video: z.boolean(),
  audio: z.enum(['computer', 'phone', 'both']),
  cameras: z.enum(['off', 'own', 'on']),
  microphones: z.enum(['off', 'own', 'on']),
  screens: z.enum(['hosts', 'presenters', 'everyone']),
  chat: z.enum(['off', 'hosts', 'everyone']),
  captions: z.boolean(),
  arrivalSound: z.boolean(),
  recording: z.boolean(),
  nameMark: z.boolean(),
  renaming: z.boolean(),
  phonesAlso: codes,
  phonesNot: codes,
};
export const settingsShape = z.object(values);
export const someSettingsShape = z.partial(settingsShape);
export type Settings = z.infer<typeof settingsShape>;
export type SomeSettings = z.infer<typeof someSettingsShape>;
export type Setting = keyof Settings;
export const SETTINGS = Object.keys(values) as Setting[];

export const ATTENDEES_MAY = ['nobody', 'hosts', 'everyone'] as const;
const attendeesMay = z.enum(ATTENDEES_MAY);

/** What was chosen for one room; the rest is as it is usual. */
export const roomChoicesShape = z.object({
  settings: someSettingsShape,
  coHosts: z.array(z.string()),
  presenters: z.array(z.string()),
  account: z.nullable(z.string()),
  reason: z.nullable(z.string()),
  /** Held in the room that its host keeps for many meetings. */
  standing: z.boolean(),
  /** Who comes to the place, where others join by link. */
  inRoom: z.array(z.string()),
  /** Who runs it where the host cannot. */
  standIn: z.nullable(z.string()),
  smallRooms: z.array(z.object({ name: z.string(), people: z.array(z.string()) })),
  interpreters: z.array(z.object({ personId: z.string(), from: z.string(), to: z.string() })),
  /** Who of those who attend may change the meeting, and who may invite others. */
  changing: attendeesMay,
  inviting: attendeesMay,
});
export type RoomChoices = z.infer<typeof roomChoicesShape>;
export const noChoices: RoomChoices = {
  settings: {},
  coHosts: [],
  presenters: [],
  account: null,
  reason: null,
  standing: false,
  inRoom: [],
  standIn: null,
  smallRooms: [],
  interpreters: [],
  changing: 'nobody',
  inviting: 'nobody',
};

/** How a setting stands: who locks it (null: the house), whether it was chosen, whether the bridge can do it. */
const standing = <T extends z.ZodMiniType>(value: T) =>
  z.object({ value, lockedBy: z.array(z.nullable(z.string())), chosen: z.boolean(), offered: z.boolean() });

const accountShape = z.object({
  id: z.string(),
  name: z.string(),
  minutes: z.nullable(z.number()),
  people: z.nullable(z.number()),
  coHosts: z.nullable(z.number()),
});
export type Account = z.infer<typeof accountShape>;

const stretchShape = z.object({
  from: z.number(),
  until: z.number(),
  outcome: z.enum(['admitted', 'lobby', 'waits', 'closed', 'refused']),
  reason: z.string(),
});
export type Stretch = z.infer<typeof stretchShape>;

const groupShape = z.object({
  people: z.array(z.string()),
  who: z.enum(['host', 'co_host', 'colleague', 'guest', 'stranger']),
  signedIn: z.boolean(),
  country: z.nullable(z.string()),
  stretches: z.array(stretchShape),
});
export type Group = z.infer<typeof groupShape>;

export const conflictShape = z.object({
  kind: z.string(),
  people: z.array(z.string()),
  facts: z.record(z.string(), z.union([z.string(), z.number()])),
  ways: z.array(someSettingsShape),
});
export type RoomConflict = z.infer<typeof conflictShape>;

const phoneShape = z.object({
  country: z.string(),
  name: z.string(),
  /** The country whose number it is, where this has none. */
  from: z.nullable(z.string()),
  numbers: z.array(z.object({ text: z.string(), uri: z.string(), free: z.boolean() })),
  people: z.array(z.string()),
});
export type Phone = z.infer<typeof phoneShape>;

export const holdersShape = z.object({ count: z.number(), some: z.array(z.object({ id: z.string(), name: z.string() })) });

export const roomShape = z.object({
  settings: z.object({
    opens: standing(values.opens),
    doors: standing(values.doors),
    beforeHost: standing(values.beforeHost),
    lobby: standing(values.lobby),
    invitedOnly: standing(values.invitedOnly),
    signIn: standing(values.signIn),
    passcode: standing(values.passcode),
    passcodeLength: standing(values.passcodeLength),
    passcodeInLink: standing(values.passcodeInLink),
    linkPicture: standing(values.linkPicture),
    countries: standing(values.countries),
    capacity: standing(values.capacity),
    lock: standing(values.lock),
    video: standing(values.video),
    audio: standing(values.audio),
    cameras: standing(values.cameras),
    microphones: standing(values.microphones),
    screens: standing(values.screens),
    chat: standing(values.chat),
    captions: standing(values.captions),
    arrivalSound: standing(values.arrivalSound),
    recording: standing(values.recording),
    nameMark: standing(values.nameMark),
    renaming: standing(values.renaming),
    phonesAlso: standing(values.phonesAlso),
    phonesNot: standing(values.phonesNot),
  }),
  account: z.nullable(accountShape),
  accounts: z.array(accountShape),
  /** What a recording would take, about. */
  recordingMegabytes: z.number(),
  from: z.number(),
  until: z.number(),
  hostComes: z.number(),
  /** What the clock of the meeting shows, from so many minutes from its start on, a text a minute. */
  clocks: z.object({ from: z.number(), shown: z.array(z.string()) }),
  groups: z.array(groupShape),
  sum: z.object({ at: z.number(), in: z.number(), of: z.number(), letIn: z.array(z.string()), refused: z.array(z.string()) }),
  conflicts: z.array(conflictShape),
  /** Who holds what opens the room of the host, from other meetings; null: it is a room of its own. */
  holders: z.nullable(holdersShape),
  /** Who comes to the place. */
  inRoom: z.array(z.string()),
  phones: z.array(phoneShape),
  /** People of whom nobody knows where they are. */
  nowhere: z.array(z.string()),
  numberCountries: z.array(z.object({ code: z.string(), name: z.string() })),
});
export type Room = z.infer<typeof roomShape>;
export type Standing = Room['settings'];
