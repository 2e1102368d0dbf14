import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError } from '../lib/api';
import { clock, shortDate } from '../lib/time';
import { useDebounced } from '../lib/useDebounced';
import { useTell } from '../ui/Notice';
import { anchorIn, boardQuery, moveBar } from './board';
import type { Choice } from './MoveChoice';
import { editDate, type DateEdit } from './series';
import { taken } from './sheet';
import type { SheetState } from './useSheet';

/** Milliseconds of rest after which a changed sheet asks for its board. */
const REST = 90;

/** The board of a sheet, and what becomes of the sheet where its time, anchor or dates are changed on it. */
export function usePlanned(meetingId: string, state: SheetState) {
  const { t } = useTranslation();
  const tell = useTell();
  const { sheet, change } = state;
  const [index, choose] = useState(0);
  const [choice, setChoice] = useState<Choice | null>(null);
  const asked = useDebounced(sheet, REST);
  const board = useQuery({ ...boardQuery(meetingId, asked, index), placeholderData: keepPreviousData });
  const planned = board.data;
  const failed = (error: unknown) =>
    tell(error instanceof ApiError ? (Object.values(error.errors)[0]?.[0] ?? error.message) : t('failure.unexpected'), { tone: 'broken' });

  const move = useMutation({
    mutationFn: ({ minutes, as }: { minutes: number; as?: 'words' | 'dates' }) => moveBar(meetingId, sheet, index, minutes, as),
    onSuccess: (now, { minutes }) => {
      // Where no rule says the moved dates, what is meant is asked first.
      if (now.choice) {
        setChoice({ ...now.choice, minutes });
      } else {
        change(taken(now));
        setChoice(null);
      }
    },
    onError: failed,
  });
  const reanchor = useMutation({
    mutationFn: (zone: string) => anchorIn(meetingId, sheet, index, zone),
    onSuccess: (now) => change((sheet) => ({ ...taken(now)(sheet), zone: now.zone })),
    onError: failed,
  });
  const dates = useMutation({
    mutationFn: (edit: DateEdit) => editDate(sheet, edit),
    onSuccess: (now) => change(taken(now)),
    onError: failed,
  });

  // A start off the rule is moved onto it by the server: the sheet takes it over, and says so.
  const movedFrom = planned && !board.isPlaceholderData ? planned.movedFrom : null;
  const movedTo = planned?.startLocal;
  useEffect(() => {
    if (movedFrom && movedTo && movedFrom === sheet.startLocal) {
      state.amend({ startLocal: movedTo });
      tell(t('sheet.moved', { from: shortDate(movedFrom), to: shortDate(movedTo) }));
    }
  }, [movedFrom, movedTo, sheet.startLocal, state.amend, tell, t]);

  const minutesOf = (at: string) => Number(at.slice(0, 2)) * 60 + Number(at.slice(3, 5));
  return {
    board,
    planned,
    choose,
    choice,
    /** What is meant by a move that no rule says. */
    ask: (asked: Choice) => setChoice(asked),
    letChoiceGo: () => setChoice(null),
    isMoving: move.isPending,
    moveAs: (as: 'words' | 'dates') => choice && move.mutate({ minutes: choice.minutes, as }),
    /** The bar was let go: so much later, so long. */
    moved: (shiftMinutes: number, lengthMinutes: number) => {
      if (lengthMinutes !== sheet.durationMinutes) {
        change({ durationMinutes: lengthMinutes });
      }
      if (shiftMinutes !== 0) {
        move.mutate({ minutes: shiftMinutes });
      }
    },
    moveTo: (time: string) => {
      const by = minutesOf(time) - minutesOf(clock(sheet.startLocal));
      if (by !== 0) {
        move.mutate({ minutes: by });
      }
    },
    /** Every date moves by so much. */
    moveBy: (minutes: number) => move.mutate({ minutes }),
    reanchor: reanchor.mutate,
    editDate: (edit: DateEdit, done?: () => void) => dates.mutate(edit, done ? { onSuccess: done } : {}),
    isEditing: dates.isPending,
  };
}

export type PlannedState = ReturnType<typeof usePlanned>;
