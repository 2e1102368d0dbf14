import { useTranslation } from 'react-i18next';
import { clock, dayMonth, month } from '../lib/time';
import type { DateState, Drawn } from './board';

/** A better time, by how much it lies from the present one. */
export type BetterTime = { shiftMinutes: number; clock: string; clashDates: number; dates: number };

export type AllDatesProps = {
  board: Drawn;
  durationMinutes: number;
  selected: number;
  choose: (index: number) => void;
  /** A better time, as a band that one press takes. */
  better: BetterTime | undefined;
  take: () => void;
  single: boolean;
};

const AXIS = 1440;
const MANY = 16;

const isBusy = (state: DateState) => state.free + state.unknown < state.required;

/** Months over narrow columns, by column: each where it begins, with the year where that changes, and none where it would overlap. */
function monthHeads(walls: string[]): Map<number, string> {
  const heads = new Map<number, string>();
  let year = walls[0]?.slice(0, 4);
  let free = 0;
  walls.forEach((wall, index) => {
    if (wall.slice(0, 7) === walls[index - 1]?.slice(0, 7) || index < free) {
      return;
    }
    const head = wall.slice(0, 4) === year ? month(wall) : `${month(wall)} ${wall.slice(0, 4)}`;
    year = wall.slice(0, 4);
    heads.set(index, head);
    free = index + (head.length > 4 ? 4 : 2);
  });
  return heads;
}

/** The board turned on the series: a column a date, lighter where more of the required are in their hours. */
export function AllDates({ board, durationMinutes, selected, choose, better, take, single }: AllDatesProps) {
  const { t } = useTranslation();
  const { columns, columnScale, columnBarAt, dates } = board;
  const many = columns.length > MANY;
  const at = (minutes: number) => `${(minutes / AXIS) * 100}%`;
  const bandAt = columnBarAt + (better?.shiftMinutes ?? 0);
  // What lies on another day is not on this board.
  const best = single || !better || bandAt < 0 || bandAt + durationMinutes > AXIS ? undefined : { ...better, at: bandAt };

  const heads = monthHeads(columns.map(({ state }) => state.wall));
  // The year stands where it changes; in every column there would be no room for it.
  const headOf = (wall: string, index: number) => {
    const year = wall.slice(0, 4);
    return year === (columns[index - 1] ?? columns[0])?.state.wall.slice(0, 4) ? dayMonth(wall) : `${dayMonth(wall)} ${year}`;
  };

  return (
    <div className="flex min-h-0 flex-1 flex-col gap-1">
      <div className="relative flex min-h-0 flex-1 overflow-x-auto overflow-y-hidden">
        <div className="sticky left-0 z-30 w-14 shrink-0 bg-paper" aria-hidden>
          <div className="absolute inset-x-0 top-10 bottom-0">
            {columnScale
              .filter((mark) => mark.at < AXIS - 20 && Math.abs(mark.at - columnBarAt) > 40 && (!best || Math.abs(mark.at - best.at) > 60))
              .map((mark) => (
                <span key={mark.at} className="absolute right-2 -translate-y-1/2 text-note text-muted" style={{ top: at(mark.at) }}>
                  {mark.label}:00
                </span>
              ))}
            <span className="absolute right-2 -translate-y-1/4 font-bold" style={{ top: at(columnBarAt) }}>
              {clock(dates[0]?.wall ?? '')}
            </span>
            {best && (
              <span className="absolute right-2 -translate-y-1/4 font-semibold text-good" style={{ top: at(best.at) }}>
                {best.clock}
              </span>
            )}
          </div>
        </div>
        <div className="relative flex min-w-0 flex-1 gap-0.5">
          {columns.map(({ state, ground, blocks, barAt }, index) => {
            // A date moved by itself stands where it is; one beyond the hours that are drawn stands at the edge.
            const here = Math.max(0, Math.min(barAt, AXIS - 15));
            const own = barAt === columnBarAt ? null : clock(state.wall);
            return (
              <button
                key={state.start}
                type="button"
                disabled={single}
                onClick={() => choose(state.index)}
                {...(many
                  ? {
                      'aria-label': t('dates.column', {
                        date: own ? `${dayMonth(state.wall)}, ${own}` : dayMonth(state.wall),
                        free: state.free,
                        known: state.required - state.unknown,
                      }),
                    }
                  : {})}
                aria-pressed={single ? undefined : state.index === selected}
                className={`flex flex-1 flex-col text-left ${many ? 'min-w-5' : 'min-w-12'}`}
              >
                <span className={`block h-10 whitespace-nowrap ${many ? '' : 'overflow-hidden'}`}>
                  <span
                    className={`narrow block h-5 px-0.5 ${many ? 'w-0' : ''} ${state.index === selected && !single && !many ? 'font-bold underline decoration-sun decoration-2 underline-offset-2' : 'font-semibold'}`}
                  >
                    {many ? heads.get(index) : headOf(state.wall, index)}
                  </span>
                  <span
                    className={`tight block px-0.5 text-[0.6875rem] ${many && state.index === selected && !single ? 'font-bold text-ink underline decoration-sun decoration-2 underline-offset-2' : 'text-muted'}`}
                  >
                    {many
                      ? String(Number(state.wall.slice(8, 10)))
                      : shiftText(state.shifts.length, state.shifts[0]?.minutes, state.anchorShift)}
                  </span>
                </span>
                <span className="relative block w-full flex-1 overflow-hidden">
                  {ground.map((segment) => (
                    <span
                      key={segment.from}
                      className={`step-${segment.tone} absolute inset-x-0 border-t border-line/40`}
                      style={{ top: at(segment.from), height: at(segment.to - segment.from) }}
                    />
                  ))}
                  {blocks.map((block) => (
                    <span
                      key={block.from}
                      className="block-busy absolute inset-x-0.5 flex items-center justify-center overflow-hidden rounded-sm text-[0.6875rem] leading-none font-bold text-on-ink"
                      style={{ top: at(block.from), height: at(block.to - block.from) }}
                    >
                      {block.to - block.from >= 40 ? block.count : ''}
                    </span>
                  ))}
                  <span
                    className="absolute inset-x-0 z-10 border-y-2 border-[#17202b] bg-sun/45"
                    style={{ top: at(here), height: at(Math.min(durationMinutes, AXIS - here)) }}
                  />
                  <span
                    className={`tight absolute inset-x-0.5 z-10 flex items-center justify-center rounded border-2 px-0.5 text-[0.6875rem] leading-4 font-bold ${
                      isBusy(state) ? 'border-broken bg-sheet text-ink' : 'border-[#17202b] bg-sun text-on-sun'
                    }`}
                    style={{ top: at(here) }}
                  >
                    {own ??
                      (many ? (isBusy(state) ? '!' : '') : t('dates.free', { free: state.free, known: state.required - state.unknown }))}
                  </span>
                </span>
              </button>
            );
          })}
          {best && (
            <div className="pointer-events-none absolute inset-x-0 top-10 bottom-0 z-20">
              <button
                type="button"
                className="pointer-events-auto absolute inset-x-0 border-2 border-dashed border-good bg-good/15 hover:bg-good/30"
                style={{ top: at(best.at), height: at(durationMinutes) }}
                onClick={take}
                aria-label={t('dates.takeLong', { clock: best.clock, clashes: best.clashDates, dates: best.dates })}
              />
            </div>
          )}
        </div>
      </div>
      <ul className="flex flex-wrap gap-x-4 gap-y-0.5 pl-14 text-note text-muted" aria-label={t('dates.legend')}>
        {[4, 3, 2, 1, 0].map((step) => (
          <li key={step} className="flex items-center gap-1">
            <span aria-hidden className={`step-${step} inline-block h-3 w-4 border border-line`} />
            {t(`dates.step${step}`)}
          </li>
        ))}
        <li className="flex items-center gap-1">
          <span aria-hidden className="block-busy inline-block h-3 w-4 rounded-sm" />
          {t('dates.block')}
        </li>
      </ul>
    </div>
  );

  function shiftText(count: number, minutes: number | undefined, anchor: number | null): string {
    if (anchor !== null) {
      return t('dates.anchorClocks');
    }
    return count === 0 || minutes === undefined
      ? ' '
      : t('dates.clocks', {
          minutes: `${minutes < 0 ? '−' : '+'}${Math.abs(minutes) % 60 === 0 ? `${Math.abs(minutes) / 60} h` : `${Math.abs(minutes)} min`}`,
        });
  }
}
