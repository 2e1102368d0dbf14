import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { ApiError } from '../lib/api';
import { clock, dayMonth, longDate } from '../lib/time';
import { useMedia } from '../lib/useMedia';
import { AllDates, type BetterTime } from '../overlap/AllDates';
import { AnchorAdvice } from '../overlap/AnchorAdvice';
import { DateStrip } from '../overlap/DateStrip';
import { DayBoard } from '../overlap/DayBoard';
import { DayStrips } from '../overlap/DayStrips';
import type { OfferedMark } from '../overlap/PaneView';
import type { People } from '../overlap/words';
import { ErrorNote } from '../ui/ErrorNote';
import { useTell } from '../ui/Notice';
import { Popover } from '../ui/Popover';
import type { Planned } from './board';
import { leftOut, WhenForm } from './DatesEditor';
import { namedOf, ownWords, placeOfDate } from './own';
import { NextDays } from './NextDays';
import type { Meeting } from './meetings';
import { Burden } from './Burden';
import type { Sheet } from './sheet';
import type { Told } from './timesWords';
import type { TimesState } from './useTimes';
import { wasBar } from './was';
import type { PlannedState } from './usePlanned';

/** So many dates with something of their own are named under the board; all stand among the single dates. */
const OWN_NAMED = 3;

export type BoardView = 'day' | 'dates' | 'burden';

export type BoardAreaProps = {
  meetingId: string;
  sheet: Sheet;
  people: People;
  state: PlannedState;
  view: BoardView;
  setView: (view: BoardView) => void;
  /** The meeting as its people know it, where this is the sheet of a change. */
  sent: Meeting | undefined;
  /** What else stands beside the sheet and is walked: what is marked there is shown, and nothing is changed here. */
  beside: { preview: Planned | undefined; choose: (index: number) => void } | null;
  times: TimesState;
  offered: OfferedMark[];
  told: Told | null;
  better: BetterTime | undefined;
  /** Opens what one date has of its own. */
  makeDiffer: (date: string) => void;
};

/** The right side of the sheet: the board of one date or of all, and the strip of dates under it. */
export function BoardArea({
  meetingId,
  sheet,
  people,
  state,
  view,
  setView,
  sent,
  beside,
  times,
  offered,
  told,
  better,
  makeDiffer,
}: BoardAreaProps) {
  const { t } = useTranslation();
  const tell = useTell();
  const narrow = useMedia('(max-width: 767px)');
  const [close, setClose] = useState(false);
  const [worstFirst, setWorstFirst] = useState(false);
  const [moving, setMoving] = useState(false);
  const [adding, setAdding] = useState(false);
  const { board } = state;
  const looking = beside !== null;
  const planned = beside?.preview ?? state.planned;
  const choose = beside?.preview ? beside.choose : state.choose;
  const dates = planned?.board.dates ?? [];
  const single = dates.length <= 1;
  const day = planned?.board.day;
  const current = dates[day?.index ?? 0];

  return (
    <div className="flex min-h-[440px] min-w-0 flex-1 flex-col gap-1.5 px-3.5 pt-2 pb-2">
      <div className="flex items-center justify-between gap-3">
        <p className="min-w-0 truncate text-muted">
          {view === 'burden'
            ? ''
            : view === 'day'
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
          <div role="group" aria-label={t('board.view')} className="no-print flex shrink-0">
            {([...(times.open ? (['burden'] as const) : []), 'day', 'dates'] as const).map((one) => (
              <button
                key={one}
                type="button"
                aria-pressed={view === one}
                onClick={() => setView(one)}
                className={`border border-line px-2.5 py-0.5 text-note font-semibold ${view === one ? 'bg-ink text-on-ink' : 'bg-sheet'}`}
              >
                {one === 'burden' ? t('fits.burden') : t(`board.${one}`)}
              </button>
            ))}
          </div>
        )}
      </div>
      {board.error && !planned && <ErrorNote error={board.error} retry={() => void board.refetch()} />}
      {board.error && planned && (
        <p role="alert" className="font-semibold text-broken">
          {board.error instanceof ApiError ? (Object.values(board.error.errors)[0]?.[0] ?? board.error.message) : t('failure.unexpected')}
        </p>
      )}
      {planned && day && sheet.attendees.length === 0 && <p className="m-auto max-w-sm text-center text-muted">{t('board.empty')}</p>}
      {planned && day && sheet.attendees.length > 0 && (
        <>
          {view === 'burden' && told && times.marked ? (
            <Burden told={told} people={people} marked={times.marked} putIn={times.putIn} />
          ) : narrow ? (
            <DayStrips day={day} people={people} moved={state.moved} />
          ) : view !== 'dates' ? (
            <div className="flex min-h-0 flex-1 gap-6">
              <DayBoard
                day={day}
                people={people}
                anchorCity={planned.zoneCity}
                allDay={sheet.allDay}
                moved={state.moved}
                readOnly={looking}
                was={wasBar(sheet, sent, current?.wall, day)}
                close={close}
                worstFirst={worstFirst}
                offered={offered}
              />
              {sheet.attendees.length === 1 && <NextDays />}
            </div>
          ) : (
            <AllDates
              board={planned.board}
              durationMinutes={sheet.durationMinutes}
              selected={day.index}
              choose={choose}
              better={looking ? undefined : better}
              take={() => better && state.moveBy(better.shiftMinutes)}
              single={single}
            />
          )}
          <DateStrip
            dates={dates}
            people={people}
            selected={day.index}
            choose={choose}
            usual={sheet.allDay ? null : clock(planned.startLocal)}
            drop={single || looking ? null : (wall) => state.editDate({ do: 'drop', date: wall })}
            dropped={looking ? [] : leftOut(sheet)}
            restore={(wall) => state.editDate({ do: 'add', date: wall })}
            complete={planned.complete}
          >
            {current && !looking && (
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
                  pending={state.isEditing}
                  take={(to) =>
                    state.editDate({ do: 'move', date: current.wall, to }, () => {
                      setMoving(false);
                      tell(
                        t(sheet.allDay ? 'singleDates.movedDay' : 'singleDates.moved', {
                          from: dayMonth(current.wall),
                          date: dayMonth(to),
                          clock: clock(to),
                        }),
                      );
                    })
                  }
                />
              </Popover>
            )}
            {!looking &&
              sheet.own.slice(0, OWN_NAMED).map((own) => (
                <button key={own.date} type="button" className="changeable" onClick={() => makeDiffer(own.date)}>
                  {t('ownDate.differs', { date: dayMonth(placeOfDate(sheet, own.date)), what: ownWords(t, own) })}
                </button>
              ))}
            {current && !single && !looking && (
              <button type="button" className="changeable" onClick={() => makeDiffer(namedOf(sheet, current.wall))}>
                {t('ownDate.open', { date: dayMonth(current.wall) })}
              </button>
            )}
            {!looking && (
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
                  pending={state.isEditing}
                  take={(date) => state.editDate({ do: 'add', date }, () => setAdding(false))}
                />
              </Popover>
            )}
            {!single && !sheet.allDay && (
              <Link className="changeable" to={`/meetings/${meetingId}/shifts`}>
                {t('shifts.title')}
              </Link>
            )}
          </DateStrip>
          {!looking && <AnchorAdvice anchors={planned.anchors} take={state.reanchor} />}
        </>
      )}
    </div>
  );
}
