import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, Navigate, useBlocker, useNavigate, useParams } from 'react-router';
import { ApiError, send } from '../lib/api';
import { clock, dayMonth, longDate, shortDate, weekday } from '../lib/time';
import { useDebounced } from '../lib/useDebounced';
import { useMedia } from '../lib/useMedia';
import { AllDates } from '../overlap/AllDates';
import type { DateState, Fit } from '../overlap/board';
import { DateStrip } from '../overlap/DateStrip';
import { DayBoard } from '../overlap/DayBoard';
import { AnchorAdvice } from '../overlap/AnchorAdvice';
import { DayStrips } from '../overlap/DayStrips';
import { isNight } from '../overlap/words';
import { called } from '../people/people';
import { useOwnWall, useSession } from '../people/session';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { ErrorNote } from '../ui/ErrorNote';
import { useTell } from '../ui/Notice';
import { Page } from '../ui/Page';
import { Popover } from '../ui/Popover';
import { useSheetKey } from '../people/useSheetKey';
import { anchorIn, boardQuery, moveBar } from './board';
import { WhenForm } from './DatesEditor';
import { EntriesProvider, useFinishEntries } from './entries';
import { JoinSection } from './JoinSection';
import { meetingQuery, type Meeting } from './meetings';
import { MoveChoice, type Choice } from './MoveChoice';
import { Sentence } from './Sentence';
import { editDate, type DateEdit } from './series';
import { taken, type Sheet } from './sheet';
import { SheetNotes } from './SheetNotes';
import { TypedSentence } from './TypedSentence';
import { useSheet, type SheetState } from './useSheet';
import { useUndoKeys } from './useUndoKeys';
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
  const narrow = useMedia('(max-width: 767px)');
  const state = useSheet(meeting);
  const { sheet, change } = state;
  const finishEntries = useFinishEntries();
  const city = useSession()?.zoneCity ?? '';
  const [choice, setChoice] = useState<Choice | null>(null);
  const [index, setIndex] = useState(0);
  const [view, setView] = useState<'day' | 'dates'>('day');
  const [close, setClose] = useState(false);
  const [worstFirst, setWorstFirst] = useState(false);
  const [fits, setFits] = useState(false);
  const [discarding, setDiscarding] = useState(false);
  const [typing, setTyping] = useState(false);
  const [moving, setMoving] = useState(false);
  const [adding, setAdding] = useState(false);
  const asked = useDebounced(sheet, 90);
  const board = useQuery({ ...boardQuery(meeting.id, asked, index), placeholderData: keepPreviousData });
  const planned = board.data;
  const people = useMemo(() => new Map(sheet.attendees.map(({ person }) => [person.id, person])), [sheet.attendees]);

  const move = useMutation({
    mutationFn: ({ minutes, as }: { minutes: number; as?: 'words' | 'dates' }) => moveBar(meeting.id, sheet, index, minutes, as),
    onSuccess: (now, { minutes }) => {
      // Where no rule says the moved dates, what is meant is asked first.
      if (now.choice) {
        setChoice({ ...now.choice, minutes });
      } else {
        change(taken(now));
        setChoice(null);
      }
    },
    onError: (error) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }),
  });
  const reanchor = useMutation({
    mutationFn: (zone: string) => anchorIn(meeting.id, sheet, index, zone),
    onSuccess: (now) => change({ ...taken(now), zone: now.zone }),
    onError: (error) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }),
  });
  const dateEdit = useMutation({
    mutationFn: (edit: DateEdit) => editDate(sheet, edit),
    onSuccess: (now) => {
      change(taken(now));
      setMoving(false);
      setAdding(false);
    },
    onError: (error) =>
      tell(error instanceof ApiError ? (Object.values(error.errors)[0]?.[0] ?? error.message) : t('failure.unexpected'), {
        tone: 'broken',
      }),
  });
  useSheetKey('s', () => setTyping(true));
  const moved = (shiftMinutes: number, lengthMinutes: number) => {
    if (lengthMinutes !== sheet.durationMinutes) {
      change({ durationMinutes: lengthMinutes });
    }
    if (shiftMinutes !== 0) {
      move.mutate({ minutes: shiftMinutes });
    }
  };
  const moveTo = (time: string) => {
    const minutes = (at: string) => Number(at.slice(0, 2)) * 60 + Number(at.slice(3, 5));
    const by = minutes(time) - minutes(clock(sheet.startLocal));
    if (by !== 0) {
      move.mutate({ minutes: by });
    }
  };

  // A start off the rule is moved onto it by the server: the sheet takes it over, and says so.
  const movedFrom = planned && !board.isPlaceholderData ? planned.movedFrom : null;
  const movedTo = planned?.startLocal;
  useEffect(() => {
    if (movedFrom && movedTo && movedFrom === sheet.startLocal) {
      state.amend({ startLocal: movedTo });
      tell(t('sheet.moved', { from: shortDate(movedFrom), to: shortDate(movedTo) }));
    }
  }, [movedFrom, movedTo, sheet.startLocal, state.amend, tell, t]);

  const discard = useMutation({
    mutationFn: () => send('DELETE', `meetings/${meeting.id}`),
    onSuccess: () => {
      tell(t('sheet.discarded'));
      leaving.current = true;
      state.letOfferGo();
      void navigate('/meetings', { replace: true });
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
  const leaving = useRef(false);
  const blocker = useBlocker(
    ({ currentLocation, nextLocation }) => !leaving.current && currentLocation.pathname !== nextLocation.pathname && state.isDirty(),
  );
  // Leaving hands in what was typed last; only if that fails is it asked about.
  useEffect(() => {
    if (blocker.state === 'blocked') {
      void state.flush().then((isKept) => (isKept ? blocker.proceed() : undefined));
    }
  }, [blocker, state.flush]);
  useUndoKeys(state);

  const dates = planned?.board.dates ?? [];
  const single = dates.length <= 1;
  const day = planned?.board.day;
  const current = dates[day?.index ?? 0];
  const standings = day?.standings ?? [];
  const weekdays = new Set(standings.flatMap((standing) => (standing.local ? [weekday(standing.local)] : [])));
  const best = planned?.board.fits[0];
  const take = (fit: Fit) => {
    setFits(false);
    move.mutate({ minutes: fit.at - (planned?.board.columnBarAt ?? fit.at) });
  };

  return (
    <div className="flex min-h-[calc(100dvh-2.75rem)] flex-col md:h-[calc(100dvh-2.75rem)]">
      <Page
        title={sheet.title || t('sheet.untitled')}
        above={
          <span className="flex flex-wrap items-baseline gap-x-4">
            <span>
              {meeting.status === 'kept'
                ? t('sheet.keptMeeting')
                : sheet.repeats || sheet.custom || sheet.extra.length > 0
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
            <button type="button" className="changeable" onClick={() => setTyping(true)}>
              {t('typed.open')}
            </button>
            <button type="button" className="changeable" onClick={() => setDiscarding(true)}>
              {t('sheet.discard')}
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
              parts={planned?.custom ?? sheet.custom}
              change={change}
              moveTo={moveTo}
              editDate={dateEdit.mutate}
              editing={dateEdit.isPending}
            />
          )
        }
      >
        <SheetNotes state={state} planned={planned} meeting={meeting} city={city} />
        {state.error && state.error.code !== 'many_dates' && (
          <div className="px-5 py-2">
            <p role="alert" className="border-l-4 border-broken bg-sheet px-3 py-2 font-semibold">
              {Object.values(state.error.errors)[0]?.[0] ?? state.error.message} {t('sheet.stillHere')}
            </p>
          </div>
        )}
        <div className="flex min-h-0 flex-1 flex-col md:flex-row">
          <div className="flex w-full shrink-0 flex-col gap-3 overflow-y-auto border-line bg-sheet px-5 py-3 md:w-[357px] md:border-r">
            <WhatSection sheet={sheet} change={change} />
            <WhoSection sheet={sheet} change={change} standings={standings} showWeekday={weekdays.size > 1} />
            <JoinSection sheet={sheet} change={change} meeting={meeting} />
          </div>
          <div className="flex min-h-[440px] min-w-0 flex-1 flex-col gap-1.5 px-3.5 pt-2 pb-2">
            <div className="flex items-center justify-between gap-3">
              <p className="min-w-0 truncate text-muted">
                {view === 'day'
                  ? t('board.intro', { date: current ? longDate(current.wall) : '' })
                  : single
                    ? t('dates.introSingle')
                    : t('dates.intro', { count: dates.length, required: current?.required ?? 0 })}
              </p>
              {!narrow && view === 'day' && (
                <span className="ml-auto flex shrink-0 gap-4 text-note">
                  <button type="button" className="changeable" onClick={() => setWorstFirst(!worstFirst)}>
                    {worstFirst ? t('board.westToEast') : t('board.worstFirst')}
                  </button>
                  <button type="button" className="changeable" onClick={() => setClose(!close)}>
                    {close ? t('board.wholeDay') : t('board.close')}
                  </button>
                </span>
              )}
              {!narrow && (
                <div role="group" aria-label={t('board.view')} className="flex shrink-0">
                  {(['day', 'dates'] as const).map((one) => (
                    <button
                      key={one}
                      type="button"
                      aria-pressed={view === one}
                      onClick={() => setView(one)}
                      className={`border border-line px-2.5 py-0.5 text-note font-semibold ${view === one ? 'bg-ink text-on-ink' : 'bg-sheet'}`}
                    >
                      {t(`board.${one}`)}
                    </button>
                  ))}
                </div>
              )}
            </div>
            {board.error && !planned && <ErrorNote error={board.error} retry={() => void board.refetch()} />}
            {board.error && planned && (
              <p role="alert" className="font-semibold text-broken">
                {board.error instanceof ApiError
                  ? (Object.values(board.error.errors)[0]?.[0] ?? board.error.message)
                  : t('failure.unexpected')}
              </p>
            )}
            {planned && day && sheet.attendees.length === 0 && <p className="m-auto max-w-sm text-center text-muted">{t('board.empty')}</p>}
            {planned && day && sheet.attendees.length > 0 && (
              <>
                {narrow ? (
                  <DayStrips day={day} people={people} moved={moved} />
                ) : view === 'day' ? (
                  <DayBoard
                    day={day}
                    people={people}
                    anchorCity={planned.zoneCity}
                    allDay={sheet.allDay}
                    moved={moved}
                    close={close}
                    worstFirst={worstFirst}
                  />
                ) : (
                  <AllDates
                    board={planned.board}
                    durationMinutes={sheet.durationMinutes}
                    selected={day.index}
                    choose={setIndex}
                    take={take}
                    single={single}
                  />
                )}
                <DateStrip
                  dates={dates}
                  people={people}
                  selected={day.index}
                  choose={setIndex}
                  usual={sheet.allDay ? null : clock(planned.startLocal)}
                  drop={single ? null : (wall) => dateEdit.mutate({ do: 'drop', date: wall })}
                  dropped={sheet.dropped}
                  restore={(wall) => dateEdit.mutate({ do: 'add', date: wall })}
                  complete={planned.complete}
                >
                  {current && (
                    <Popover
                      open={moving}
                      onOpenChange={setMoving}
                      label={t('singleDates.move', { date: dayMonth(current.wall) })}
                      className="w-[25rem]"
                      trigger={
                        <button type="button" className="changeable">
                          {t('singleDates.move', { date: dayMonth(current.wall) })}
                        </button>
                      }
                    >
                      <WhenForm
                        key={current.wall}
                        from={current.wall}
                        allDay={sheet.allDay}
                        action={t('singleDates.moveTo')}
                        pending={dateEdit.isPending}
                        take={(to) => dateEdit.mutate({ do: 'move', date: current.wall, to })}
                      />
                    </Popover>
                  )}
                  <Popover
                    open={adding}
                    onOpenChange={setAdding}
                    label={t('singleDates.add')}
                    className="w-[25rem]"
                    trigger={
                      <button type="button" className="changeable">
                        {t('singleDates.add')}
                      </button>
                    }
                  >
                    <WhenForm
                      from={dates[dates.length - 1]?.wall ?? sheet.startLocal}
                      allDay={sheet.allDay}
                      action={t('singleDates.add')}
                      pending={dateEdit.isPending}
                      take={(date) => dateEdit.mutate({ do: 'add', date })}
                    />
                  </Popover>
                  {!single && !sheet.allDay && (
                    <Link className="changeable" to={`/meetings/${meeting.id}/shifts`}>
                      {t('shifts.title')}
                    </Link>
                  )}
                </DateStrip>
                <AnchorAdvice anchors={planned.anchors} take={(zone) => reanchor.mutate(zone)} />
              </>
            )}
          </div>
        </div>
        <footer className="flex flex-wrap items-center justify-between gap-x-6 gap-y-2 border-t border-line bg-sheet px-5 py-2">
          <p aria-live="polite" className="min-w-0 flex-1 basis-64">
            {planned && sheet.attendees.length > 0 ? (
              <Summary dates={dates} sheet={sheet} best={view === 'dates' ? best : undefined} />
            ) : (
              t('board.emptyShort')
            )}
          </p>
          <span className="flex flex-wrap gap-2.5">
            {best && view === 'dates' && !single && <Button onClick={() => take(best)}>{t('fits.take', { clock: best.clock })}</Button>}
            <Button disabled={!planned || planned.board.fits.length === 0} onClick={() => setFits(true)}>
              {planned && planned.board.fits.length === 0 ? t('fits.none') : t('fits.show')}
            </Button>
            <Button look="main" disabled={goingOn} onClick={() => void readBack()}>
              {t('sheet.readBack')}
            </Button>
          </span>
        </footer>
      </Page>
      <Dialog open={fits} onOpenChange={setFits} title={t('fits.title')} description={t('fits.order')}>
        <ul>
          {planned?.board.fits.map((fit) => (
            <li key={fit.at} className="flex items-center justify-between gap-3 border-t border-line py-2">
              <span>
                <strong className="text-19">{fit.clock}</strong>{' '}
                {fit.dayShift !== 0 && t(fit.dayShift > 0 ? 'fits.dayAfter' : 'fits.dayBefore')}{' '}
                <span className="text-muted">
                  {fit.clashDates === 0
                    ? t('fits.noClash', { count: fit.dates })
                    : t('fits.clashes', { count: fit.clashDates, dates: fit.dates })}
                  , {fit.offHours === 0 ? t('fits.inHours') : t('fits.offHours', { count: fit.offHours })}
                </span>
              </span>
              <Button small onClick={() => take(fit)} aria-label={t('fits.takeLong', { clock: fit.clock })}>
                {t('action.take')}
              </Button>
            </li>
          ))}
        </ul>
      </Dialog>
      <Dialog open={discarding} onOpenChange={setDiscarding} title={t('sheet.discardTitle')} description={t('sheet.discardText')}>
        <div className="flex justify-end gap-3">
          <Button onClick={() => setDiscarding(false)}>{t('action.stay')}</Button>
          <Button look="danger" disabled={discard.isPending} onClick={() => discard.mutate()}>
            {t('sheet.discard')}
          </Button>
        </div>
      </Dialog>
      <Dialog
        open={state.error?.code === 'many_dates' && !sheet.manyAgreed}
        onOpenChange={() => undefined}
        title={t('many.title')}
        description={state.error?.message ?? ''}
      >
        <div className="flex justify-end gap-3">
          <Button onClick={state.undo}>{t('many.back')}</Button>
          <Button look="main" onClick={() => change({ manyAgreed: true })}>
            {t('many.keep')}
          </Button>
        </div>
      </Dialog>
      <MoveChoice
        choice={choice}
        close={() => setChoice(null)}
        take={(as) => choice && move.mutate({ minutes: choice.minutes, as })}
        pending={move.isPending}
      />
      <Dialog
        open={blocker.state === 'blocked' && state.state !== 'waiting'}
        onOpenChange={() => blocker.reset?.()}
        title={t('leaving.title')}
        description={t('leaving.text')}
      >
        <div className="flex justify-end gap-3">
          <Button look="main" onClick={() => blocker.reset?.()}>
            {t('leaving.stay')}
          </Button>
          <Button look="danger" onClick={() => blocker.proceed?.()}>
            {t('leaving.go')}
          </Button>
        </div>
      </Dialog>
      <Dialog open={state.conflict !== null} onOpenChange={() => undefined} title={t('conflict.title')} description={t('conflict.text')}>
        <p>
          {t('conflict.theirs', {
            title: state.conflict?.title || t('sheet.untitled'),
            when: state.conflict?.sentence.map((piece) => piece.text).join(''),
          })}
        </p>
        <div className="flex justify-end gap-3">
          <Button onClick={state.takeTheirs}>{t('conflict.takeTheirs')}</Button>
          <Button look="main" onClick={state.keepMine}>
            {t('conflict.keepMine')}
          </Button>
        </div>
      </Dialog>
    </div>
  );
}

function SaveState({ state, city }: { state: SheetState; city: string }) {
  const { t } = useTranslation();
  const wall = useOwnWall();
  const isSignedOut = useSession()?.account === null;
  if (state.state === 'away') {
    return (
      <span className="font-semibold text-broken">
        {t(isSignedOut ? 'sheet.signedOutSince' : 'sheet.awaySince', { clock: clock(wall(state.since ?? 0)) })}
      </span>
    );
  }
  if (state.state === 'failed') {
    return <span className="font-semibold text-broken">{t('sheet.notKept')}</span>;
  }
  if (state.state === 'waiting') {
    return <span>{t('sheet.keeping')}</span>;
  }
  return <span>{state.keptLocal ? t('sheet.keptAt', { clock: clock(state.keptLocal), city }) : t('sheet.kept')}</span>;
}

/** The state of the sheet in one line. */
function Summary({ dates, sheet, best }: { dates: DateState[]; sheet: Sheet; best: Fit | undefined }) {
  const { t } = useTranslation();
  const people = new Map(sheet.attendees.map(({ person }) => [person.id, person]));
  const free = dates.filter((state) => state.requiredFree === state.required).length;
  const required = dates[0]?.required ?? 0;
  const clashes = new Map<string, number>();
  const nights = new Map<string, number>();
  for (const state of dates) {
    for (const trouble of state.troubles) {
      if (trouble.clashes.length > 0 && trouble.required) {
        clashes.set(trouble.id, (clashes.get(trouble.id) ?? 0) + 1);
      }
      if (isNight(trouble) && trouble.required) {
        nights.set(trouble.id, (nights.get(trouble.id) ?? 0) + 1);
      }
    }
  }
  const firstName = (id: string) => people.get(id)?.name?.split(' ')[0] ?? called(people.get(id) ?? { name: null, email: '?' });
  const said = [
    ...[...clashes].slice(0, 3).map(([id, count]) => t('summary.busy', { name: firstName(id), count })),
    ...[...nights]
      .slice(0, 3)
      .map(([id, count]) =>
        count === dates.length ? t('summary.alwaysNight', { name: firstName(id) }) : t('summary.night', { name: firstName(id), count }),
      ),
  ];
  if (best) {
    return (
      <>
        <strong>{t('summary.fit', { clock: best.clock, count: best.dates - best.clashDates, dates: best.dates, required })}</strong>{' '}
        {t('summary.present', { clock: clock(sheet.startLocal), count: dates.length - free })}
      </>
    );
  }
  return (
    <>
      <strong>
        {dates.length === 1
          ? free === 1
            ? t('summary.allFree', { count: required })
            : t('summary.someFree', { free: dates[0]?.requiredFree ?? 0, required })
          : t('summary.free', { required, count: free, dates: dates.length })}
      </strong>{' '}
      {said.length > 0 && `${said.join('; ')}.`}
    </>
  );
}
