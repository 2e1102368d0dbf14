import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError } from '../lib/api';
import { clock, dayMonth, listed } from '../lib/time';
import { useDebounced } from '../lib/useDebounced';
import { first, type People } from '../overlap/words';
import { useTell } from '../ui/Notice';
import { moveBar } from './board';
import { namedOf, ownOf, withOwn } from './own';
import { editDate } from './series';
import { taken, type Sheet } from './sheet';
import { keyOf, listOf, previewQuery, takeTurns, timesQuery, type Clash, type Marked, type Time } from './times';
import type { PlannedState } from './usePlanned';
import type { SheetState } from './useSheet';

/** Milliseconds of rest: as the board asks, and a little less for walking the list. */
const REST = 90;
const WALK = 60;

/** A way out of a clash, or of a time that does not hold. */
export type Way =
  | { do: 'move'; clash: Clash; to: string }
  | { do: 'without'; clash: Clash; id: string }
  | { do: 'standIn'; clash: Clash; id: string }
  | { do: 'shorter'; minutes: number };

/** Better times beside the sheet: which is marked, how the board looks with it, and what becomes of the sheet when one is taken. */
export function useTimes(meetingId: string, state: SheetState, onBoard: PlannedState, people: People, wanted: boolean) {
  const { t } = useTranslation();
  const tell = useTell();
  const { sheet, change } = state;
  const [open, setOpen] = useState(false);
  const [anyDay, setAnyDay] = useState(false);
  const [key, mark] = useState<string | null>(null);
  const [index, choose] = useState(0);
  const [isTaking, setTaking] = useState(false);
  const asked = useDebounced(sheet, REST);
  const canLook = !sheet.allDay && sheet.attendees.some(({ role }) => role === 'required') && sheet.durationMinutes < 1440;
  const times = useQuery({ ...timesQuery(meetingId, asked, anyDay), enabled: canLook && (open || wanted) });
  const all = times.data ? listOf(times.data) : [];
  const marked = all.find((one) => keyOf(one) === key) ?? all[1] ?? all[0];
  const walked = useDebounced(marked, WALK);
  const isPresent = walked?.kind === 'time' && walked.time.shiftMinutes === 0;
  const preview = useQuery(previewQuery(meetingId, asked, index, open && walked && !isPresent ? walked : undefined));
  const failed = (error: unknown) =>
    tell(error instanceof ApiError ? (Object.values(error.errors)[0]?.[0] ?? error.message) : t('failure.unexpected'), { tone: 'broken' });

  const close = () => {
    setOpen(false);
    mark(null);
    choose(0);
  };

  /** The sheet with a time taken; null where it is asked first what is meant. */
  const withTime = async (time: Time): Promise<Sheet | null> => {
    if (time.shiftMinutes === 0) {
      return sheet;
    }
    const now = await moveBar(meetingId, sheet, 0, time.shiftMinutes);
    if (now.choice) {
      onBoard.ask({ ...now.choice, minutes: time.shiftMinutes });
      return null;
    }
    return { ...sheet, ...taken(now)(sheet) };
  };

  const withWay = async (now: Sheet, way: Way): Promise<Sheet> => {
    if (way.do === 'shorter') {
      return { ...now, durationMinutes: way.minutes };
    }
    const { wall, standIn } = way.clash;
    if (way.do === 'move') {
      return { ...now, ...taken(await editDate(now, { do: 'move', date: wall, to: way.to }))(now) };
    }
    const own = ownOf(now, namedOf(now, wall));
    const present = own.people ?? now.attendees;
    const instead = way.do === 'standIn' && standIn ? [{ person: standIn, role: 'required' as const }] : [];
    return { ...now, own: withOwn(now, { ...own, people: [...present.filter(({ person }) => person.id !== way.id), ...instead] }) };
  };

  const take = async (one: Marked, way?: Way) => {
    if (isTaking) return;
    setTaking(true);
    try {
      if (one.kind === 'rota') {
        change(taken(await takeTurns(meetingId, sheet, one.rota.shifts)));
        tell(t('fits.takenRota', { times: listed(one.rota.times) }));
        close();
        return;
      }
      const now = await withTime(one.time);
      if (now === null) {
        if (way) {
          tell(t('fits.wayLater'));
        }
        close();
        return;
      }
      const then = way ? await withWay(now, way) : now;
      if (then !== sheet) {
        change(then);
        tell(t('fits.taken', { what: clock(one.time.wall) }));
      }
      close();
    } catch (error) {
      failed(error);
    } finally {
      setTaking(false);
    }
  };

  return {
    canLook,
    open,
    setOpen,
    close,
    times,
    all,
    marked,
    mark: (one: Marked) => mark(keyOf(one)),
    anyDay,
    setAnyDay,
    /** The board as it would be; none while the present time is marked. */
    preview: open && !isPresent ? preview.data : undefined,
    choose,
    take,
    isTaking,
    /** What helps a clash, with words for it. */
    waysOf: (time: Time): { way: Way; text: string }[] => [
      ...(time.shorterTo === null
        ? []
        : [{ way: { do: 'shorter', minutes: time.shorterTo } as const, text: t('fits.way.shorter', { minutes: time.shorterTo }) }]),
      ...time.clashes.slice(0, 3).flatMap((clash) => {
        const date = dayMonth(clash.wall);
        const id = clash.people.length === 1 ? times.data?.people[clash.people[0] ?? -1] : undefined;
        return [
          ...(clash.moveTo
            ? [{ way: { do: 'move', clash, to: clash.moveTo } as const, text: t('fits.way.move', { date, clock: clock(clash.moveTo) }) }]
            : []),
          ...(id && clash.standIn
            ? [
                {
                  way: { do: 'standIn', clash, id } as const,
                  text: t('fits.way.standIn', { date, name: clash.standIn.name ?? clash.standIn.email }),
                },
              ]
            : []),
          ...(id ? [{ way: { do: 'without', clash, id } as const, text: t('fits.way.without', { date, name: first(people, id) }) }] : []),
        ];
      }),
    ],
    makeOptional: (id: string) =>
      change({ attendees: sheet.attendees.map((one) => (one.person.id === id ? { ...one, role: 'optional' as const } : one)) }),
    /** Adds a sentence to what the meeting is for. */
    putIn: (sentence: string) => {
      change((now) => ({ purpose: [now.purpose.trim(), sentence].filter(Boolean).join('\n\n') }));
      tell(t('fits.isPutIn'));
    },
    shorten: (minutes: number) => change({ durationMinutes: minutes }),
  };
}

export type TimesState = ReturnType<typeof useTimes>;
