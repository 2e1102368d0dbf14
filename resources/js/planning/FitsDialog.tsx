import '../lib/i18nMore';
import type { KeyboardEvent } from 'react';
import { useTranslation } from 'react-i18next';
import { dayMonth } from '../lib/time';
import type { Drawn, Fit } from '../overlap/board';
import { capital, first } from '../overlap/words';
import type { Person } from '../people/people';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';

/** So many people are named, and so many dates that clash. */
const NAMED = 4;
const DATES = 3;

type Told = { people: ReadonlyMap<string, Person>; dates: Drawn['dates'] };

/** How a time does, in the order in which times are ranked. */
function FitWords({ fit, people, dates }: Told & { fit: Fit }) {
  const { t } = useTranslation();
  const named = (ids: string[]) =>
    [
      ...ids.slice(0, NAMED).map((id) => first(people, id)),
      ...(ids.length > NAMED ? [t('fits.others', { count: ids.length - NAMED })] : []),
    ].join(', ');
  const clashes = fit.clashes.slice(0, DATES).map(({ index, people: busy }) => {
    const wall = dates[index]?.wall;
    return t('fits.clash', { date: wall ? dayMonth(wall) : '', names: named(busy) });
  });
  const more = fit.clashDates - clashes.length;
  return (
    <span className="block text-muted first-letter:uppercase">
      {fit.clashDates === 0 ? t('fits.noClash', { count: fit.dates }) : t('fits.clashes', { count: fit.clashDates, dates: fit.dates })}
      {', '}
      {fit.offHours === 0 ? t('fits.inHours') : t('fits.offHours', { count: fit.offHours })}
      {fit.optionalBusy > 0 && `, ${t('fits.optionalBusy', { count: fit.optionalBusy })}`}.
      {clashes.length > 0 && ` ${capital(clashes.join('; '))}${more > 0 ? `; ${t('fits.moreDates', { count: more })}` : ''}.`}
      {fit.worse.length > 0 && ` ${t('fits.worse', { names: named(fit.worse) })}`}
    </span>
  );
}

/** The arrow keys go from one time that can be taken to the next. */
function step(event: KeyboardEvent<HTMLUListElement>) {
  const by = event.key === 'ArrowDown' ? 1 : event.key === 'ArrowUp' ? -1 : 0;
  if (by === 0) return;
  event.preventDefault();
  const buttons = [...event.currentTarget.querySelectorAll('button')];
  buttons[buttons.findIndex((one) => one === document.activeElement) + by]?.focus();
}

export type FitsDialogProps = {
  board: Drawn | undefined;
  people: ReadonlyMap<string, Person>;
  open: boolean;
  onOpenChange: (open: boolean) => void;
  take: (fit: Fit) => void;
};

/** Better times, with what each costs whom, below the present one. */
export function FitsDialog({ board, people, open, onOpenChange, take }: FitsDialogProps) {
  const { t } = useTranslation();
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title={t('fits.title')} description={t('fits.order')}>
      {board && (
        <ul onKeyDown={step}>
          {[board.present, ...board.fits].map((fit, place) => (
            <li key={fit.at} className="flex items-center justify-between gap-3 border-t border-line py-2">
              <span>
                <strong className="text-19">{fit.clock}</strong>{' '}
                {fit.dayShift !== 0 && t(fit.dayShift > 0 ? 'fits.dayAfter' : 'fits.dayBefore')} {place === 0 && t('fits.present')}
                <FitWords fit={fit} people={people} dates={board.dates} />
              </span>
              {place > 0 && (
                <Button
                  small
                  className="shrink-0 whitespace-nowrap"
                  onClick={() => take(fit)}
                  aria-label={t('fits.takeLong', { clock: fit.clock })}
                >
                  {t('action.take')}
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
    </Dialog>
  );
}
