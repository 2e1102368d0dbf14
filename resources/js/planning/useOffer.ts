import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError } from '../lib/api';
import { useDebounced } from '../lib/useDebounced';
import { useTell } from '../ui/Notice';
import { meetingQuery, type Meeting } from './meetings';
import {
  askAgain,
  guestsOf,
  makeOffer,
  MOST_TIMES,
  offerQuery,
  shiftTo,
  takeOffered,
  withdrawOffer,
  type Offering,
  type OfferTime,
} from './offers';
import { shiftedQuery } from './times';
import type { SheetState } from './useSheet';
import { useTellSent } from './useTellSent';

/** Milliseconds of rest, as in walking better times. */
const WALK = 60;

const said = (error: unknown, otherwise: string) =>
  error instanceof ApiError ? (Object.values(error.errors)[0]?.[0] ?? error.message) : otherwise;

/** The time-offer round of a sheet: what is gathered for it, how it stands, and how it ends. */
export function useOffer(meeting: Meeting, state: SheetState, isAskedFor: boolean, { made, sent }: { made: () => void; sent: () => void }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const tellSent = useTellSent(meeting.id);
  const { sheet, amend } = state;
  const [open, setOpen] = useState(isAskedFor);
  const [gathered, setGathered] = useState<string[]>([]);
  const [sending, setSending] = useState(false);
  const [key, mark] = useState<number | null>(null);
  const [index, choose] = useState(0);
  const guests = guestsOf(sheet);
  const canOffer = guests.length > 0 && !sheet.allDay && meeting.changeOf === null;
  const query = useQuery({ ...offerQuery(meeting.id), enabled: meeting.changeOf === null });
  const offer = query.data ?? null;
  const marked = offer?.times.find(({ id }) => id === key) ?? offer?.times[0];
  const walked = useDebounced(marked, WALK);
  const shift = walked ? shiftTo(sheet, walked.wall) : 0;
  const isOpen = open && offer !== null;
  const preview = useQuery({ ...shiftedQuery(meeting.id, sheet, index, shift), enabled: isOpen && shift !== 0 });
  // A guest has said where they are: the sheet need not be opened anew to know it.
  const cities = new Map((offer?.guests ?? []).map(({ id, city }) => [id, city]));
  const moved = sheet.attendees.some(({ person }) => cities.has(person.id) && cities.get(person.id) !== person.city);
  useEffect(() => {
    if (moved) {
      amend({
        attendees: sheet.attendees.map((one) =>
          cities.has(one.person.id) ? { ...one, person: { ...one.person, city: cities.get(one.person.id) ?? null } } : one,
        ),
      });
    }
  });
  const failed = (error: unknown) => tell(said(error, t('failure.unexpected')), { tone: 'broken' });
  const isNow = (now: { offer: typeof offer }) => client.setQueryData(offerQuery(meeting.id).queryKey, now.offer);

  const make = useMutation({
    mutationFn: async (offering: Offering) => {
      // Whoever was added a moment ago is asked too.
      if (!(await state.flush())) {
        throw new ApiError(409, 'not_kept', t('offer.keepFirst'));
      }
      return makeOffer(meeting.id, offering);
    },
    onSuccess: (now) => {
      isNow(now);
      setSending(false);
      setGathered([]);
      setOpen(true);
      made();
      tell(t('offer.sent', { count: now.offer?.guests.length ?? 0 }));
    },
  });
  const again = useMutation({
    mutationFn: (personId: string) => askAgain(meeting.id, personId),
    onSuccess: (now) => {
      isNow(now);
      tell(t('offer.askedAgain'));
    },
    onError: failed,
  });
  const withdraw = useMutation({
    mutationFn: () => withdrawOffer(meeting.id),
    onSuccess: () => {
      isNow({ offer: null });
      setOpen(false);
      tell(t('offer.withdrawn'));
    },
    onError: failed,
  });
  const take = useMutation({
    mutationFn: async (time: OfferTime) => {
      if (!(await state.flush())) {
        throw new ApiError(409, 'not_kept', t('offer.keepFirst'));
      }
      return takeOffered(meeting.id, time.id, state.heldVersion());
    },
    onSuccess: (now) => {
      sent();
      tellSent(now);
      client.setQueryData(meetingQuery(meeting.id).queryKey, now);
      void client.invalidateQueries();
    },
    onError: failed,
  });

  return {
    canOffer: canOffer && offer === null,
    guests,
    offer,
    isOpen,
    setOpen: (next: boolean) => {
      setOpen(next);
      mark(null);
      choose(0);
    },
    marked,
    mark: (time: OfferTime) => mark(time.id),
    preview: isOpen && shift !== 0 ? preview.data : undefined,
    choose,
    gathered,
    /** Takes a time up among those to offer, or out again. */
    toggle: (wall: string) =>
      setGathered((now) =>
        now.includes(wall) ? now.filter((one) => one !== wall) : now.length < MOST_TIMES ? [...now, wall].toSorted() : now,
      ),
    sending,
    setSending: (next: boolean) => {
      setSending(next);
      make.reset();
    },
    make: (offering: Offering) => make.mutate(offering),
    makeError: make.error ? said(make.error, t('failure.unexpected')) : null,
    again: (personId: string) => again.mutate(personId),
    withdraw: () => withdraw.mutate(),
    take: (time: OfferTime) => take.mutate(time),
    isWorking: make.isPending || again.isPending || withdraw.isPending || take.isPending,
  };
}

export type OfferState = ReturnType<typeof useOffer>;
