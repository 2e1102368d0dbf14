import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { clock, dayMonth, shortDate } from '../lib/time';
import type { DateState } from './board';
import { dateWords, type People } from './words';

export type DateStripProps = {
  dates: DateState[];
  people: People;
  selected: number;
  choose: (index: number) => void;
  drop: ((wall: string) => void) | null;
  /** The time of day of the series, "15:30": a date at another one says so. */
  usual: string | null;
  dropped: string[];
  restore: (wall: string) => void;
  complete: boolean;
  /** What else can be done with single dates. */
  children?: ReactNode;
};

const MANY = 16;
const EDGE = { good: 'border-b-good', odd: 'border-b-odd border-b-2 [border-bottom-style:dashed]', broken: 'border-b-broken' };
const INK = { good: 'text-muted', odd: 'text-odd', broken: 'text-broken' };

/** Every date with its state in words; of many dates, those that do not fit, and a count of the rest. */
export function DateStrip({ dates, people, selected, choose, drop, usual, dropped, restore, complete, children }: DateStripProps) {
  const { t } = useTranslation();
  const judged = dates.map((state) => ({ state, words: dateWords(t, state, people) }));
  const shown =
    judged.length <= MANY ? judged : judged.filter(({ state, words }) => words.tone !== 'good' || state.index === selected).slice(0, 24);
  const rest = judged.length - shown.length;
  // The year stands where it begins: on the first date that is shown of each but the first.
  const years = shown.map(({ state }) => state.wall.slice(0, 4));
  const firstYear = dates[0]?.wall.slice(0, 4);
  const beginsYear = (at: number) => years[at] !== (at === 0 ? firstYear : years[at - 1]);
  return (
    <div>
      <ol className="flex gap-1 overflow-x-auto pb-1 print:flex-wrap print:overflow-visible" aria-label={t('strip.label')}>
        {shown.map(({ state, words }, at) => {
          const active = state.index === selected;
          const ownTime = usual !== null && clock(state.wall) !== usual;
          return (
            <li
              key={state.start}
              className={`relative flex ${
                [
                  ['min-w-[72px]', 'min-w-[92px]'],
                  ['min-w-[104px]', 'min-w-[132px]'],
                ][ownTime ? 1 : 0]?.[beginsYear(at) ? 1 : 0]
              } ${judged.length === 1 ? 'w-44 flex-none' : 'max-w-44 flex-1'}`}
            >
              <button
                type="button"
                aria-pressed={active}
                onClick={() => choose(state.index)}
                title={[shortDate(state.wall), ...words.all].join(', ')}
                className={`flex w-full flex-col rounded border border-b-4 border-line px-1.5 py-1 text-left ${EDGE[words.tone]} ${active ? 'bg-ink text-on-ink' : 'bg-sheet'}`}
              >
                <span className="narrow block font-semibold whitespace-nowrap">
                  {dayMonth(state.wall)}
                  {beginsYear(at) && <span className="font-normal"> {state.wall.slice(0, 4)}</span>}
                  {ownTime && <span className="font-normal"> {clock(state.wall)}</span>}
                </span>
                <span className={`tight text-note break-words leading-[0.9rem] font-medium ${active ? '' : INK[words.tone]}`}>
                  {words.text}
                </span>
              </button>
              {active && drop && dates.length > 1 && (
                <button
                  type="button"
                  aria-label={t('strip.drop', { date: shortDate(state.wall) })}
                  title={t('strip.drop', { date: shortDate(state.wall) })}
                  onClick={() => drop(state.wall)}
                  className="absolute top-0 right-0 h-6 w-6 rounded leading-4 text-on-ink hover:bg-broken"
                >
                  ×
                </button>
              )}
            </li>
          );
        })}
      </ol>
      <p className="flex flex-wrap items-baseline gap-x-4 text-note text-muted">
        {rest > 0 && <span>{t('strip.rest', { count: rest })}</span>}
        {!complete && <span>{t('strip.cut', { count: dates.length })}</span>}
        {dropped.map((wall) => (
          <span key={wall}>
            {t('strip.dropped', { date: dayMonth(wall) })}{' '}
            <button type="button" className="changeable" onClick={() => restore(wall)}>
              {t('strip.restore')}
            </button>
          </span>
        ))}
        {children}
      </p>
    </div>
  );
}
