import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { noChoices, roomShape, SETTINGS, type RoomChoices, type Settings, type SomeSettings, type Standing } from '../joining/room';
import { sendJson } from '../lib/api';
import { useDebounced } from '../lib/useDebounced';
import type { Live } from '../lib/useLive';
import { boardWire, type Sheet } from './sheet';
import type { SheetState } from './useSheet';

/** Milliseconds of rest after which a changed sheet asks what happens at the door. */
const REST = 90;

const roomWire = (sheet: Sheet, hostComes: number, meetingId: string) => ({
  ...boardWire(sheet),
  joinMode: sheet.joinMode,
  room: sheet.room,
  hostComes,
  meetingId,
});

const valuesOf = (standing: Standing): Settings =>
  Object.fromEntries(SETTINGS.map((name) => [name, standing[name].value])) as unknown as Settings;

/** The room of a sheet: how its settings stand, what they do to each, and the ways to change them. */
export function useRoom(meetingId: string, state: SheetState, enabled: boolean) {
  const { sheet, change } = state;
  const [hostComes, setHostComes] = useState(0);
  const body = useDebounced(JSON.stringify(roomWire(sheet, hostComes, meetingId)), REST);
  const query = useQuery({
    queryKey: ['room', body],
    queryFn: ({ signal }) => sendJson('POST', 'room', JSON.parse(body) as unknown, roomShape, signal),
    placeholderData: keepPreviousData,
    enabled,
    staleTime: 20_000,
    retry: false,
    meta: { live: { topics: ['person', 'team'] } satisfies Live },
  });
  const { data } = query;
  const set = (settings: SomeSettings) => change((now) => ({ room: { ...now.room, settings: { ...now.room.settings, ...settings } } }));
  return {
    query,
    data,
    /** What is chosen shows at once; what it does, when the answer is there. */
    values: data ? ({ ...valuesOf(data.settings), ...unlocked(sheet.room.settings, data.settings) } as Settings) : null,
    hostComes,
    setHostComes,
    set,
    /** Whatever is chosen beside the settings. */
    setPeople: (people: Partial<Omit<RoomChoices, 'settings'>>) => change((now) => ({ room: { ...now.room, ...people } })),
    setReason: (reason: string | null) => change((now) => ({ room: { ...now.room, reason } })),
    setAccount: (account: string | null) => change((now) => ({ room: { ...now.room, account } })),
    isUsual: isUsual(sheet.room),
    putBack: () => change({ room: noChoices }),
  };
}
/** Whether nothing was chosen for a room. */
const isUsual = (room: RoomChoices): boolean =>
  (Object.keys(noChoices) as (keyof RoomChoices)[]).every((name) => JSON.stringify(room[name]) === JSON.stringify(noChoices[name]));

export type RoomState = ReturnType<typeof useRoom>;

const unlocked = (chosen: SomeSettings, standing: Standing): SomeSettings =>
  Object.fromEntries(Object.entries(chosen).filter(([name]) => standing[name as keyof Standing].lockedBy.length === 0));
