import { useTranslation } from 'react-i18next';
import { clock, offsetText, plusMinutes, weekday, weekdayDay } from '../lib/time';
import { called } from '../people/people';
import type { Pane, Segment, Standing, Thread } from './board';
import type { Bar } from './useBar';
import { lightWord, type People } from './words';

export type PaneViewProps = {
  pane: Pane;
  people: People;
  standings: Standing[];
  shown: Shown;
  bar: Bar;
  dragging: boolean;
  showWeekday: boolean;
  focus: string | null;
  setFocus: (id: string | null) => void;
  offered: PlacedMark[];
};

/** A time that is offered, and what people said to it. */
export type OfferedMark = { start: string; minutes: number; said: Map<string, 'accepted' | 'tentative' | 'declined' | 'awaiting'> };

/** Where it lies on an axis, in minutes from its top. */
type PlacedMark = OfferedMark & { at: number };

/** The stretch of the axis that is drawn, in minutes from its top. */
export type Shown = { from: number; minutes: number };

/** Below so many pixels between threads, a pane counts its people instead of drawing each. */
const LEAST_THREAD = 12;
export const PANE_WIDTH = 108;
const MOST_THREADS = Math.floor(PANE_WIDTH / LEAST_THREAD);

/** A place's own day, with its people as threads and the flag of its clock. */
export function PaneView({ pane, people, standings, shown, bar, dragging, showWeekday, focus, setFocus, offered }: PaneViewProps) {
  const { t } = useTranslation();
  const at = (minute: number) => `${((minute - shown.from) / shown.minutes) * 100}%`;
  const long = (minutes: number) => `${(minutes / shown.minutes) * 100}%`;
  const counted = pane.threads.length > MOST_THREADS;
  const own = standings.filter((standing) => pane.threads.some((thread) => thread.id === standing.id));
  const wall = pane.axisWall === null ? null : localAt(pane, bar.at);
  const tone = pane.ground.find((segment) => segment.from <= bar.at && bar.at < segment.to)?.tone ?? 'day';
  const word = dragging ? (tone === 'night' ? t('light.night') : '') : lightWord(t, own);
  const name =
    pane.places.length === 0
      ? t('board.unknownPlace')
      : pane.places.length > 2
        ? t('board.places', { place: pane.places[0], count: pane.places.length - 1 })
        : pane.places.join(', ');

  return (
    <section
      aria-label={name}
      className="flex min-w-[60px] flex-1 flex-col"
      style={{ flexGrow: Math.max(1, Math.min(pane.threads.length, 5) * 0.25 + 0.75) }}
    >
      <h3 className="narrow truncate px-0.5 text-body leading-5 font-semibold" title={pane.places.join(', ') || undefined}>
        {name}
      </h3>
      <p className="px-0.5 text-note text-muted">{pane.offset === null ? t('board.noClock') : offsetText(pane.offset)}</p>
      <div className="relative mt-0.5 flex h-5 items-center">
        {counted ? (
          <span className="tight px-0.5 text-note font-semibold">{t('board.counted', { count: pane.threads.length })}</span>
        ) : (
          pane.threads.map((thread, index) => (
            <span
              key={thread.id}
              className={`tight absolute -translate-x-1/2 text-note ${focus === thread.id ? 'rounded bg-sun px-0.5 text-on-sun' : ''} ${thread.required ? 'font-semibold' : 'text-muted'}`}
              style={{ left: threadLeft(index, pane.threads.length) }}
            >
              {people.get(thread.id)?.initials ?? '?'}
            </span>
          ))
        )}
      </div>
      <div className="relative flex-1 overflow-hidden border-l border-line bg-sheet" data-testid="pane">
        {pane.ground.map((segment) => (
          <div
            key={segment.from}
            className={`ground-${segment.tone} absolute inset-x-0 border-t border-line/60`}
            style={{ top: at(segment.from), height: long(segment.to - segment.from) }}
          />
        ))}
        {pane.hours.map((mark) => (
          <span
            key={mark.at}
            aria-hidden
            className={`absolute left-0 flex -translate-y-1/2 items-center gap-1 text-[0.6875rem] leading-3 ${inkOn(pane, mark.at)}`}
            style={{ top: at(mark.at) }}
          >
            <span className="inline-block h-px w-1.5 bg-current" />
            {mark.label}
          </span>
        ))}
        {pane.midnights.map((mark) => (
          <span
            key={mark.at}
            aria-hidden
            className={`absolute inset-x-0 border-t border-dashed border-current pl-1.5 text-[0.6875rem] leading-4 font-semibold ${inkOn(pane, mark.at)}`}
            style={{ top: at(mark.at) }}
          >
            {weekdayDay(mark.label)}
          </span>
        ))}
        {counted ? (
          <CountedBand pane={pane} people={people} standings={own} />
        ) : (
          pane.threads.map((thread, index) => (
            <ThreadView
              key={thread.id}
              thread={thread}
              label={threadLabel(thread)}
              left={threadLeft(index, pane.threads.length)}
              at={at}
              long={long}
              ground={pane.ground.length > 0 ? pane.ground : [{ from: 0, to: 1440, tone: 'day', label: '', count: 0 }]}
              setFocus={setFocus}
              offered={offered}
            />
          ))
        )}
      </div>
      {wall !== null && (
        <div
          className="slides pointer-events-none absolute z-20 -mt-3 flex flex-col items-center rounded-md border-2 border-[#17202b] bg-sun px-1.5 py-0.5 text-on-sun"
          style={{ top: `calc(var(--head) + (100% - var(--head)) * ${((bar.at - shown.from) / shown.minutes).toFixed(5)})` }}
          data-testid="flag"
        >
          <span className="narrow text-19 leading-5 font-bold">{clock(wall)}</span>
          {(showWeekday || word !== '') && (
            <span className="tight text-[0.6875rem] leading-3 font-semibold">
              {[showWeekday ? weekday(wall) : '', word].filter(Boolean).join(' ')}
            </span>
          )}
        </div>
      )}
    </section>
  );

  function threadLabel(thread: Thread): string {
    const person = people.get(thread.id);
    return t('board.thread', {
      name: person ? called(person) : '?',
      known: thread.calendarKnown
        ? thread.blocks.length === 0
          ? t('board.free')
          : thread.blocks.map((block) => block.label).join(', ')
        : t('board.noCalendar'),
    });
  }
}

const toneAt = (pane: Pane, minute: number) =>
  pane.ground.find((segment) => segment.from <= minute && minute < segment.to)?.tone ?? 'night';
const INKS: Record<string, string> = { day: 'text-on-day', dusk: 'text-on-dusk', day_off: 'text-on-dusk', night: 'text-on-night' };
const inkOn = (pane: Pane, minute: number) => INKS[toneAt(pane, minute)] ?? 'text-on-dusk';
const threadLeft = (index: number, count: number) => `${40 + ((index + 0.5) / count) * 56}%`;

/** The local wall time at a minute of the axis, by the pane's own changes of clock. */
export function localAt(pane: Pane, minute: number): string {
  const shifted = pane.clock.filter((change) => change.at <= minute).reduce((sum, change) => sum + change.minutes, 0);
  return plusMinutes(pane.axisWall ?? '1970-01-01T00:00:00', minute + shifted);
}

/** The thread within an offered time: whole comes, broken perhaps, dotted silent, a bar across cannot. */
const SAID = {
  accepted: 'h-full border-l-4 border-ink',
  tentative: 'h-full border-l-4 border-dashed border-ink',
  awaiting: 'h-full border-l-2 border-dotted border-muted',
  declined: 'w-2.5 border-t-4 border-odd',
};

function ThreadView({
  thread,
  label,
  left,
  at,
  long,
  ground,
  setFocus,
  offered,
}: {
  thread: Thread;
  label: string;
  left: string;
  at: (minute: number) => string;
  long: (minutes: number) => string;
  ground: Segment[];
  setFocus: (id: string | null) => void;
  offered: PlacedMark[];
}) {
  const line = !thread.calendarKnown ? 'border-dotted' : thread.required ? 'border-solid' : 'border-dashed';
  return (
    <button
      type="button"
      className="absolute inset-y-0 w-4 -translate-x-1/2 cursor-default"
      style={{ left }}
      aria-label={label}
      title={label}
      onFocus={() => setFocus(thread.id)}
      onBlur={() => setFocus(null)}
      onMouseEnter={() => setFocus(thread.id)}
      onMouseLeave={() => setFocus(null)}
    >
      {thread.lanes.map((lane) => (
        <span
          key={lane.from}
          className="absolute inset-x-0.5 rounded-sm border border-(--lane-edge) bg-(--lane)"
          style={{ top: at(lane.from), height: long(lane.to - lane.from) }}
        />
      ))}
      {ground.map((segment) => (
        <span
          key={`line-${segment.from}`}
          className={`absolute left-1/2 -translate-x-1/2 ${line} ${thread.host ? 'border-l-4' : 'border-l-2'}`}
          style={{
            top: at(segment.from),
            height: long(segment.to - segment.from),
            borderColor: segment.tone === 'night' ? 'var(--thread-night)' : 'var(--thread)',
          }}
        />
      ))}
      {thread.blocks.map((block) => (
        <span
          key={`${block.from}-${block.label}`}
          className={`block-${block.tone} absolute inset-x-0.5 rounded-sm`}
          style={{ top: at(block.from), height: long(Math.max(8, block.to - block.from)) }}
        />
      ))}
      {offered.map((one) => {
        const said = one.said.get(thread.id);
        return (
          said && (
            <span
              key={one.start}
              data-said={said}
              className={`absolute -inset-x-px flex items-center justify-center rounded-sm border-2 bg-sheet ${said === 'declined' ? 'border-odd' : 'border-ink'}`}
              style={{ top: at(one.at), height: long(one.minutes), minHeight: '16px' }}
            >
              <span className={SAID[said]} />
            </span>
          )
        );
      })}
    </button>
  );
}

function CountedBand({ pane, people, standings }: { pane: Pane; people: People; standings: Standing[] }) {
  const { t } = useTranslation();
  const busy = standings.filter((standing) => standing.clashes.length > 0);
  return (
    <p className="absolute inset-x-1 bottom-1 rounded bg-sheet/90 px-1 py-0.5 text-[0.6875rem] leading-4">
      {busy.length === 0
        ? t('board.countedFree', { count: pane.threads.length })
        : t('board.countedBusy', {
            count: busy.length,
            names: busy
              .slice(0, 3)
              .map((standing) => people.get(standing.id)?.initials ?? '?')
              .join(' '),
          })}
    </p>
  );
}
