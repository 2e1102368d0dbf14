import { useTranslation } from 'react-i18next';
import type { BetterTime } from '../overlap/AllDates';
import type { Summary } from '../overlap/board';
import { capital, first } from '../overlap/words';
import type { Person } from '../people/people';

/** So many people are named of each kind. */
const NAMED = 3;

export type SheetSummaryProps = {
  summary: Summary;
  people: ReadonlyMap<string, Person>;
  /** Time of day as it stands, on the anchor's clock. */
  present: string;
  best: BetterTime | undefined;
};

/** The state of the sheet in one line: whom the time suits, and whom it does not. */
export function SheetSummary({ summary, people, present, best }: SheetSummaryProps) {
  const { t } = useTranslation();
  const { required, unknown, dates, free } = summary;
  const known = required - unknown;
  const all = (count: number) => ({ count, ...(count === 2 ? { context: 'both' } : {}) });
  const name = (id: string) => first(people, id);
  if (best) {
    return (
      <>
        <strong>{t('summary.fit', { clock: best.clock, count: best.dates - best.clashDates, dates: best.dates })}</strong>{' '}
        {t('summary.present', { clock: present, count: dates - free })}
      </>
    );
  }
  const unnamed = Math.max(0, summary.busy.length - NAMED) + Math.max(0, summary.nights.length - NAMED);
  const said = [
    ...summary.busy.slice(0, NAMED).map(({ id, dates: count }) => t('summary.busy', { name: name(id), count })),
    ...summary.nights
      .slice(0, NAMED)
      .map(({ id, dates: count }) =>
        count === dates ? t('summary.alwaysNight', { name: name(id) }) : t('summary.night', { name: name(id), count }),
      ),
    ...(unnamed > 0 ? [t('summary.more', { count: unnamed })] : []),
    ...(unknown > 0 && known > 0 ? [t('summary.unknown', { count: unknown })] : []),
  ];
  return (
    <>
      <strong>
        {required === 0
          ? t('summary.nobody')
          : known === 0
            ? t('summary.allUnknown', all(required))
            : dates > 1
              ? t(unknown > 0 ? 'summary.knownOnDates' : 'summary.onDates', { ...all(known), free, dates })
              : free === 1
                ? t(unknown > 0 ? 'summary.knownFree' : 'summary.allFree', all(known))
                : t('summary.someFree', { free: known - summary.busy.length, required: known })}
      </strong>{' '}
      {said.length > 0 && `${capital(said.join('; '))}.`}
    </>
  );
}
