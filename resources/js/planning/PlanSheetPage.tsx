import '../lib/i18nPlanning';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Navigate, useBlocker, useNavigate, useParams, useSearchParams } from 'react-router';
import { ApiError, send, sendJson } from '../lib/api';
import { clock, longDate, weekday } from '../lib/time';
import { useDebounced } from '../lib/useDebounced';
import type { OfferedMark } from '../overlap/PaneView';
import { called } from '../people/people';
import { useSession } from '../people/session';
import { useSheetKey } from '../people/useSheetKey';
import { Button } from '../ui/Button';
import { ErrorNote } from '../ui/ErrorNote';
import { useTell } from '../ui/Notice';
import { Page } from '../ui/Page';
import { BoardArea, type BoardView } from './BoardArea';
import { EntriesProvider, useFinishEntries } from './entries';
import { EntrySection } from './EntrySection';
import { FromBlueprint } from './FromBlueprint';
import { JoinSection } from './JoinSection';
import { hasKit, meetingQuery, meetingShape, type Meeting } from './meetings';
import { MoveChoice } from './MoveChoice';
import { OfferDialog } from './OfferDialog';
import { OfferNote } from './OfferNote';
import { OfferPanel } from './OfferPanel';
import { OwnDateDialog } from './OwnDateDialog';
import { SaveState } from './SaveState';
import { Sentence } from './Sentence';
import { SheetNotes } from './SheetNotes';
import { ConflictQuestion, DiscardQuestion, LeavingQuestion, ManyDatesQuestion } from './SheetQuestions';
import { SheetSummary } from './SheetSummary';
import { TimesList } from './TimesList';
import { whatOf, type Told } from './timesWords';
import { TypedSentence } from './TypedSentence';
import { useOffer } from './useOffer';
import { usePlanned } from './usePlanned';
import { RoomArea } from './RoomArea';
import { RoomPanel } from './RoomPanel';
import { RoomSum } from './RoomSum';
import { useRoom } from './useRoom';
import { useSheet } from './useSheet';
import { useTimes } from './useTimes';
import { usePlace } from './usePlace';
import { useUndoKeys } from './useUndoKeys';
import { WhatDiffers } from './WhatDiffers';
import { WhatSection } from './WhatSection';
import { WhoSection } from './WhoSection';

/** The page on which a meeting is planned. */
export function PlanSheetPage() {
  const { id = '' } = useParams();
  // The sheet holds its own state from here on; what others change is told by the version.
  const { data, error, refetch, isFetching } = useQuery({ ...meetingQuery(id), staleTime: 0, refetchOnWindowFocus: false, meta: {} });
  if (error && !data) {
    return (
      <div className="p-5">
        <ErrorNote error={error} retry={() => void refetch()} />
      </div>
    );
  }
  if (!data) {
    return null;
  }
  if (data.status === 'sent' || data.status === 'called_off') {
    // What was known from before may have been taken back since.
    return isFetching ? null : <Navigate to={`/meetings/${id}`} replace />;
  }
  return (
    <EntriesProvider key={data.id}>
      <PlanSheet meeting={data} />
    </EntriesProvider>
  );
}

function PlanSheet({ meeting }: { meeting: Meeting }) {
  const { t } = useTranslation();
  const tell = useTell();
  const navigate = useNavigate();
  const state = useSheet(meeting);
  const { sheet, change } = state;
  const onBoard = usePlanned(meeting.id, state);
  const { planned } = onBoard;
  const finishEntries = useFinishEntries();
  const city = useSession()?.zoneCity ?? '';
  const [view, setView] = useState<BoardView>('day');
  const [discarding, setDiscarding] = useState(false);
  const [typing, setTyping] = useState(false);
  const { data: sent } = useQuery({ ...meetingQuery(meeting.changeOf ?? ''), enabled: meeting.changeOf !== null });
  const [asked, setAsked] = useSearchParams();
  const isRoom = asked.has('room');
  const room = useRoom(meeting.changeOf ?? meeting.id, state, isRoom || hasKit(sheet.joinMode));
  const split = useMutation({
    mutationFn: async ({ minutes, pause }: { minutes: number; pause: number }) => {
      await state.flush();
      return sendJson('POST', `meetings/${meeting.id}/second-part`, { minutes, breakMinutes: pause }, meetingShape);
    },
    onSuccess: (second, { minutes, pause }) => {
      change({ durationMinutes: minutes });
      tell(t('entryRules.way.splitDone', { title: second.title, count: pause }), {
        seconds: 15,
        action: { label: t('entryRules.way.splitOpen'), run: () => void navigate(`/meetings/${second.id}/plan`) },
      });
    },
    onError: (error) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }),
  });
  const openRoom = (open: boolean) => setAsked(open ? { room: '' } : {}, { replace: true });
  const [differing, setDiffering] = useState<string | null>(asked.get('date'));
  const people = useMemo(() => new Map(sheet.attendees.map(({ person }) => [person.id, person])), [sheet.attendees]);
  const nameOf = (id: string) => {
    const person = people.get(id);
    return person ? called(person) : '?';
  };
  const leaving = useRef(false);
  const times = useTimes(meeting.id, state, onBoard, people, view === 'dates');
  const told: Told | null = times.times.data ? { times: times.times.data, people, city: planned?.zoneCity ?? '', rule: sheet.rule } : null;
  const offer = useOffer(meeting, state, asked.has('answers'), {
    made: times.close,
    sent: () => {
      leaving.current = true;
    },
  });
  const beside = times.open ? times : offer.isOpen ? offer : null;
  const offered = useMemo<OfferedMark[]>(
    () =>
      (offer.offer?.times ?? []).map(({ start, accepted, tentative, declined, awaiting }) => ({
        start,
        minutes: sheet.durationMinutes,
        said: new Map(
          Object.entries({ accepted, tentative, declined, awaiting }).flatMap(([said, ids]) =>
            ids.map((id) => [id, said as 'accepted' | 'tentative' | 'declined' | 'awaiting'] as const),
          ),
        ),
      })),
    [offer.offer, sheet.durationMinutes],
  );
  useSheetKey('s', () => setTyping(true));
  useUndoKeys(state);
  usePlace(planned !== undefined);

  const discard = useMutation({
    mutationFn: () => send('DELETE', `meetings/${meeting.id}`),
    onSuccess: () => {
      tell(meeting.changeOf ? t('changed.discarded', { title: meeting.title }) : t('sheet.discarded'));
      leaving.current = true;
      state.letOfferGo();
      void navigate(meeting.changeOf ? `/meetings/${meeting.changeOf}` : '/meetings', { replace: true });
    },
    onError: (error) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }),
  });
  const [goingOn, setGoingOn] = useState(false);
  const readBack = async () => {
    setGoingOn(true);
    try {
      if ((await finishEntries()) && (await state.flush())) {
        leaving.current = true;
        await navigate(`/meetings/${meeting.id}/read-back`);
      }
    } finally {
      setGoingOn(false);
    }
  };
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) => !leaving.current && currentLocation.pathname !== nextLocation.pathname && state.isDirty(),
  );
  // Leaving hands in what was typed last; only if that fails is it asked about.
  useEffect(() => {
    if (blocker.state === 'blocked') {
      void state.flush().then((isKept) => (isKept ? blocker.proceed() : undefined));
    }
  }, [blocker, state.flush]);

  const standings = planned?.board.day.standings ?? [];
  const weekdays = new Set(standings.flatMap((standing) => (standing.local ? [weekday(standing.local)] : [])));
  // Of a large crowd the answer takes a while: what stood there before is not called true of them.
  const isOld = useDebounced(onBoard.board.isPlaceholderData, 600) && onBoard.board.isPlaceholderData;
  const held = times.times.data?.held[0];
  const best = held && { shiftMinutes: held.shiftMinutes, clock: clock(held.wall), clashDates: 0, dates: planned?.board.dates.length ?? 0 };
  // The focus comes back to where the list was opened.
  const showTimes = useRef<HTMLButtonElement>(null);
  const wasOpen = useRef(false);
  useEffect(() => {
    if (wasOpen.current && !times.open) {
      showTimes.current?.focus();
    }
    wasOpen.current = times.open;
  }, [times.open]);
  const shown = view === 'burden' && !times.open ? 'day' : view;

  return (
    <div className="flex min-h-[calc(100dvh-2.75rem)] flex-col md:h-[calc(100dvh-2.75rem)] print:block print:h-auto!">
      <Page
        title={sheet.title || t('sheet.untitled')}
        above={
          <span className="flex flex-wrap items-baseline gap-x-4">
            <span>
              {meeting.changeOf
                ? t('changed.sheet')
                : meeting.status === 'kept'
                  ? t('sheet.keptMeeting')
                  : sheet.rule || sheet.extra.length > 0
                    ? t('sheet.series')
                    : t('sheet.single')}
              {', '}
              <SaveState state={state} city={city} />
            </span>
            {state.canUndo && (
              <button type="button" className="changeable" onClick={state.undo}>
                {t('action.undo')}
              </button>
            )}
            {state.canRedo && (
              <button type="button" className="changeable" onClick={state.redo}>
                {t('action.redo')}
              </button>
            )}
            {!meeting.changeOf && <FromBlueprint meeting={meeting} flush={state.flush} />}
            <button type="button" className="changeable" onClick={() => setTyping(true)}>
              {t('typed.open')}
            </button>
            <button type="button" className="changeable" onClick={() => setDiscarding(true)}>
              {t(meeting.changeOf ? 'changed.discard' : 'sheet.discard')}
            </button>
          </span>
        }
        heading={
          typing ? (
            <TypedSentence sheet={sheet} pieces={planned?.sentence ?? meeting.sentence} change={change} close={() => setTyping(false)} />
          ) : (
            <Sentence
              sheet={sheet}
              pieces={planned?.sentence ?? meeting.sentence}
              change={change}
              moveTo={onBoard.moveTo}
              editDate={onBoard.editDate}
              editing={onBoard.isEditing}
              makeDiffer={setDiffering}
            />
          )
        }
      >
        {meeting.changeOf && meeting.splitFrom && (
          <p className="border-b border-line bg-sheet px-5 py-1.5 text-note font-semibold">
            {t('changed.fromOn', { date: longDate(meeting.splitFrom) })}
          </p>
        )}
        {meeting.changeOf && <WhatDiffers sentId={meeting.changeOf} sheet={sheet} change={change} isPart={meeting.splitFrom !== null} />}
        <SheetNotes state={state} planned={planned} meeting={meeting} city={city} />
        {offer.offer && !offer.isOpen && <OfferNote offer={offer.offer} open={() => offer.setOpen(true)} />}
        {state.error && state.error.code !== 'many_dates' && (
          <div className="px-5 py-2">
            <p role="alert" className="border-l-4 border-broken bg-sheet px-3 py-2 font-semibold">
              {Object.values(state.error.errors)[0]?.[0] ?? state.error.message} {t('sheet.stillHere')}
            </p>
          </div>
        )}
        <div className="sheet-body flex min-h-0 flex-1 flex-col md:flex-row">
          <div
            className={`relative flex w-full shrink-0 flex-col gap-3 overflow-y-auto border-line bg-sheet px-5 py-3 md:border-r ${isRoom ? 'md:w-[430px]' : 'md:w-[357px]'}`}
          >
            {isRoom ? (
              <RoomPanel
                room={room}
                sheet={sheet}
                nameOf={nameOf}
                split={meeting.changeOf === null && !sheet.allDay ? (minutes, pause) => split.mutate({ minutes, pause }) : null}
              />
            ) : times.open ? (
              <TimesList state={times} offer={offer} told={told} people={people} />
            ) : offer.isOpen && offer.offer ? (
              <OfferPanel state={offer} offer={offer.offer} sheet={sheet} city={planned?.zoneCity ?? ''} />
            ) : (
              <>
                <WhatSection sheet={sheet} change={change} meetingId={meeting.id} />
                <WhoSection
                  sheet={sheet}
                  change={change}
                  standings={standings}
                  showWeekday={weekdays.size > 1}
                  away={planned?.away ?? []}
                  teams={planned?.teams ?? []}
                  calendars={planned?.calendars ?? null}
                />
                <JoinSection sheet={sheet} change={change} meeting={meeting} room={room} open={() => openRoom(true)} />
                <EntrySection sheet={sheet} change={change} />
              </>
            )}
          </div>
          {isRoom ? (
            <RoomArea room={room} city={planned?.zoneCity ?? meeting.zoneCity} kit={meeting.kit} nameOf={nameOf} />
          ) : (
            <BoardArea
              meetingId={meeting.id}
              sheet={sheet}
              people={people}
              state={onBoard}
              view={shown}
              setView={setView}
              sent={sent}
              beside={beside}
              times={times}
              offered={offered}
              told={told}
              better={best}
              makeDiffer={setDiffering}
            />
          )}
        </div>
        <footer className="sticky bottom-0 z-20 flex flex-wrap items-center justify-between gap-x-6 gap-y-2 border-t border-line bg-sheet px-5 py-2">
          <p aria-live="polite" className="min-w-0 flex-1 basis-64">
            {isRoom ? (
              room.data && <RoomSum room={room.data} nameOf={nameOf} />
            ) : times.open && told && times.marked ? (
              <>
                <strong>{t('fits.marked', { what: whatOf(t, told, times.marked) })}</strong>{' '}
                {t(offer.canOffer ? 'offer.keys' : 'fits.keys')}
              </>
            ) : offer.isOpen && offer.marked ? (
              <strong>
                {t('offer.marked', {
                  date: longDate(offer.marked.wall),
                  clock: clock(offer.marked.wall),
                  city: planned?.zoneCity ?? '',
                  count: sheet.attendees.length,
                })}
              </strong>
            ) : isOld ? (
              <span role="status">{t('board.working')}</span>
            ) : planned && sheet.attendees.length > 0 ? (
              <SheetSummary
                summary={planned.board.summary}
                people={people}
                present={clock(sheet.startLocal)}
                best={shown === 'dates' ? best : undefined}
              />
            ) : (
              t('board.emptyShort')
            )}
          </p>
          <span className="flex flex-wrap gap-2.5">
            {isRoom ? (
              <>
                <Button onClick={() => openRoom(false)}>{t('entryRules.back')}</Button>
                <Button look="main" disabled={goingOn} onClick={() => void readBack()}>
                  {t('sheet.readBack')}
                </Button>
              </>
            ) : times.open ? (
              <>
                <Button onClick={times.close}>{t('fits.back')}</Button>
                {offer.canOffer && (
                  <Button onClick={() => offer.setSending(true)}>{t('offer.open', { count: offer.gathered.length })}</Button>
                )}
                {times.marked && (times.marked.kind === 'rota' || times.marked.time.shiftMinutes !== 0) && (
                  <Button look="main" disabled={times.isTaking} onClick={() => times.marked && void times.take(times.marked)}>
                    {times.marked.kind === 'rota' ? t('fits.takeRota') : t('fits.take', { clock: clock(times.marked.time.wall) })}
                  </Button>
                )}
              </>
            ) : offer.isOpen && offer.marked ? (
              <>
                <Button onClick={() => offer.setOpen(false)}>{t('fits.back')}</Button>
                <Button look="main" disabled={offer.isWorking} onClick={() => offer.marked && offer.take(offer.marked)}>
                  {t('offer.take', { clock: clock(offer.marked.wall) })}
                </Button>
              </>
            ) : (
              <>
                {best && shown === 'dates' && planned && planned.board.dates.length > 1 && (
                  <Button onClick={() => onBoard.moveBy(best.shiftMinutes)}>{t('fits.take', { clock: best.clock })}</Button>
                )}
                <Button ref={showTimes} disabled={!planned || !times.canLook} onClick={() => times.setOpen(true)}>
                  {t('fits.show')}
                </Button>
                <Button look="main" disabled={goingOn} onClick={() => void readBack()}>
                  {t('sheet.readBack')}
                </Button>
              </>
            )}
          </span>
        </footer>
      </Page>
      <DiscardQuestion
        open={discarding}
        onOpenChange={setDiscarding}
        pending={discard.isPending}
        discard={() => discard.mutate()}
        isChange={meeting.changeOf !== null}
      />
      {differing && <OwnDateDialog sheet={sheet} date={differing} change={change} close={() => setDiffering(null)} />}
      {offer.sending && <OfferDialog state={offer} sheet={sheet} city={planned?.zoneCity ?? ''} />}
      <ManyDatesQuestion state={state} />
      <MoveChoice choice={onBoard.choice} close={onBoard.letChoiceGo} take={onBoard.moveAs} pending={onBoard.isMoving} />
      <LeavingQuestion blocker={blocker} state={state} />
      <ConflictQuestion state={state} />
    </div>
  );
}
