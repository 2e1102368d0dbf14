import { useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { clock, plusMinutes, weekday } from '../lib/time';
import { called } from '../people/people';
import { Button } from '../ui/Button';
import { inOrder, type Day } from './board';
import { localAt, PaneView, type OfferedMark, type Shown } from './PaneView';
import { OutOfSight } from './OutOfSight';
import { useBar, type Bar } from './useBar';
import { spoken, type People } from './words';

export type DayBoardProps = {
  day: Day;
  people: People;
  anchorCity: string;
  allDay: boolean;
  moved: (shiftMinutes: number, lengthMinutes: number) => void;
  readOnly?: boolean;
  /** Twelve hours around the bar in place of the whole day. */
  close?: boolean;
  /** Where the bar stood when it was sent, if that is elsewhere. */
  was?: Bar | null;
  /** Panes in order of trouble rather than from west to east. */
  worstFirst?: boolean;
  /** Times that are offered to guests, and what each said. */
  offered?: OfferedMark[];
};

const NOTHING_OFFERED: OfferedMark[] = [];

const CLOSE = 720;

/** Height of the panes' heads: place, offset, initials. */
const HEAD = 'calc(1.25rem + 1rem + 0.125rem + 1.25rem)';

/** More rows than these nobody reads out or prints. */
const TABLED = 300;

/** The daylight board of one date: time runs down, a pane a place, the meeting a bar through all of them. */
export function DayBoard({
  day,
  people,
  anchorCity,
  allDay,
  moved,
  readOnly = false,
  close = false,
  worstFirst = false,
  was = null,
  offered = NOTHING_OFFERED,
}: DayBoardProps) {
  const { t } = useTranslation();
  const body = useRef<HTMLDivElement>(null);
  const [focus, setFocus] = useState<string | null>(null);
  const given: Bar = { at: day.barAt, minutes: day.barMinutes };
  const shown: Shown = close
    ? {
        from: Math.max(0, Math.min(day.axisMinutes - CLOSE, Math.round((given.at + given.minutes / 2 - CLOSE / 2) / 60) * 60)),
        minutes: CLOSE,
      }
    : { from: 0, minutes: day.axisMinutes };
  const panes = worstFirst ? inOrder(day.panes, day.worstFirst) : day.panes;
  const strip = useRef<HTMLDivElement>(null);
  const handle = useBar(
    given,
    { minutes: day.axisMinutes, shown: shown.minutes, pixels: () => body.current?.clientHeight ?? 400, fixedLength: allDay },
    (bar) => moved(bar.at - given.at, bar.minutes),
  );
  const { bar, dragging } = handle;
  const top = (bar.at - shown.from) / shown.minutes;
  const height = Math.min(bar.minutes, shown.from + shown.minutes - bar.at) / shown.minutes;
  const anchorWall = plusMinutes(day.axisWall, bar.at);
  // Where they lie on this day's axis, if they do.
  const placed = offered
    .map((one) => ({ ...one, at: (Date.parse(one.start) - Date.parse(day.axisStart)) / 60000 }))
    .filter(({ at, minutes }) => at + minutes > shown.from && at < shown.from + shown.minutes);
  const weekdays = new Set(day.panes.filter((pane) => pane.axisWall !== null).map((pane) => weekday(localAt(pane, bar.at))));
  const focused = focus === null ? undefined : people.get(focus);
  const standing = day.standings.find((one) => one.id === focus);
  const where = `calc(var(--head) + (100% - var(--head)) * ${top.toFixed(5)})`;

  return (
    <div className="relative flex min-h-0 min-w-0 flex-1 flex-col">
      <div
        ref={strip}
        className="no-print relative flex min-h-0 flex-1 overflow-x-auto overflow-y-hidden"
        style={{ '--head': HEAD } as React.CSSProperties}
      >
        <div className="sticky left-0 z-30 w-14 shrink-0 bg-paper" aria-hidden>
          <div className="absolute inset-x-0 bottom-0" style={{ top: 'var(--head)' }} ref={body}>
            {day.scale
              .filter(
                (mark) =>
                  (mark.at < bar.at - shown.minutes / 36 || mark.at > bar.at + shown.minutes / 18) &&
                  mark.at >= shown.from &&
                  mark.at < shown.from + shown.minutes - 20,
              )
              .map((mark) => (
                <span
                  key={mark.at}
                  className="absolute right-2 -translate-y-1/2 text-note text-muted"
                  style={{ top: `${((mark.at - shown.from) / shown.minutes) * 100}%` }}
                >
                  {mark.label}:00
                </span>
              ))}
            <span className="slides absolute right-2 -mt-2.5 text-right leading-4 font-bold" style={{ top: `${top * 100}%` }}>
              {allDay ? t('board.allDay') : clock(anchorWall)}
              <span className="block text-[0.6875rem] leading-3 font-semibold">{t('board.anchor')}</span>
            </span>
          </div>
        </div>
        <div className="relative flex min-w-0 flex-1 gap-0.5">
          {panes.map((pane) => (
            <div
              data-pane={pane.key}
              key={pane.key}
              className="relative flex max-w-[34rem] min-w-[60px] flex-1"
              style={{ flexGrow: Math.max(1, Math.min(pane.threads.length, 5) * 0.25 + 0.75) }}
            >
              <PaneView
                pane={pane}
                people={people}
                standings={day.standings}
                shown={shown}
                bar={bar}
                dragging={dragging}
                showWeekday={weekdays.size > 1}
                focus={focus}
                setFocus={setFocus}
                offered={placed}
              />
            </div>
          ))}
          {was && was.at + was.minutes > shown.from && was.at < shown.from + shown.minutes && (
            <div
              aria-hidden
              data-testid="bar-was"
              title={t('board.wasHere')}
              className="pointer-events-none absolute inset-x-0 z-10 border-2 border-dashed border-[#e9edf1] outline-2 -outline-offset-1 outline-[#17202b] outline-dashed"
              style={{
                top: `calc(var(--head) + (100% - var(--head)) * ${((Math.max(was.at, shown.from) - shown.from) / shown.minutes).toFixed(5)})`,
                height: `max(4px, calc((100% - var(--head)) * ${(was.minutes / shown.minutes).toFixed(5)}))`,
              }}
            />
          )}
          <div
            role="slider"
            tabIndex={readOnly ? -1 : 0}
            aria-label={t('board.bar')}
            aria-orientation="vertical"
            aria-valuemin={0}
            aria-valuemax={day.axisMinutes}
            aria-valuenow={bar.at}
            aria-valuetext={spoken(t, day.standings, people, allDay ? t('board.allDay') : clock(anchorWall), anchorCity)}
            aria-disabled={readOnly || undefined}
            data-testid="bar"
            className={`slides absolute inset-x-0 z-10 touch-none border-y-2 border-[#17202b] bg-sun/45 ${readOnly ? '' : 'cursor-ns-resize'} ${dragging ? 'transition-none!' : ''}`}
            style={{ top: where, height: `max(4px, calc((100% - var(--head)) * ${height.toFixed(5)}))` }}
            {...(readOnly ? {} : { onPointerDown: handle.onPointerDown('move'), onKeyDown: handle.onKeyDown })}
          >
            {!readOnly && !allDay && (
              <span
                aria-hidden
                title={t('board.length')}
                data-testid="bar-length"
                className="absolute right-3 -bottom-2 z-30 h-3.5 w-3.5 cursor-s-resize rounded-full border-2 border-[#17202b] bg-white"
                onPointerDown={handle.onPointerDown('length')}
              />
            )}
          </div>
        </div>
      </div>
      {!readOnly && !allDay && (
        <div className="no-print absolute top-0 left-0 z-40 flex w-14 flex-col gap-0.5 pr-1.5">
          <Button
            small
            className="min-h-6 px-0! py-0! text-note"
            aria-label={t('board.earlierLong')}
            onClick={() => moved(-15, day.barMinutes)}
          >
            {t('board.earlierShort')}
          </Button>
          <Button
            small
            className="min-h-6 px-0! py-0! text-note"
            aria-label={t('board.laterLong')}
            onClick={() => moved(15, day.barMinutes)}
          >
            {t('board.laterShort')}
          </Button>
        </div>
      )}
      <p className="h-5 truncate pl-14 text-note text-muted" aria-live="polite">
        {focused && standing
          ? t('board.focus', {
              name: called(focused),
              place: standing.elsewhere ?? focused.city ?? t('board.unknownPlace'),
              clock: standing.local === null ? '' : clock(standing.local),
              what:
                standing.clashes.length > 0
                  ? standing.clashes.join(', ')
                  : focused.kind === 'guest'
                    ? t('board.noCalendar')
                    : standing.holiday
                      ? t('board.holiday', { name: standing.holiday })
                      : t(`${standing.calendarKnown ? 'free' : 'unsure'}.${standing.light}`),
            })
          : ''}
      </p>
      <OutOfSight strip={strip} panes={panes} standings={day.standings} />
      {/* A table takes the room of its rows even where it is not seen. */}
      <div className="print-table sr-only">
        <table>
          <caption>{t('board.table')}</caption>
          <thead>
            <tr>
              <th>{t('board.person')}</th>
              <th>{t('board.place')}</th>
              <th>{t('board.localTime')}</th>
              <th>{t('board.state')}</th>
            </tr>
          </thead>
          <tbody>
            {day.standings.slice(0, TABLED).map((one) => {
              const person = people.get(one.id);
              return (
                <tr key={one.id}>
                  <td>{person ? called(person) : '?'}</td>
                  <td>{one.elsewhere ?? person?.city ?? t('board.unknownPlace')}</td>
                  <td>{one.local === null ? t('board.noClock') : `${weekday(one.local)} ${clock(one.local)}`}</td>
                  <td>
                    {one.clashes.length > 0
                      ? `${t(`light.${one.clash ?? 'busy'}`)}: ${one.clashes.join(', ')}`
                      : (one.holiday ?? t(`${one.calendarKnown ? 'free' : 'unsure'}.${one.light}`))}
                  </td>
                </tr>
              );
            })}
            {day.standings.length > TABLED && (
              <tr>
                <td colSpan={4}>{t('board.tableMore', { count: day.standings.length - TABLED })}</td>
              </tr>
            )}
          </tbody>
        </table>
      </div>
    </div>
  );
}
