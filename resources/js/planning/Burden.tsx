import { useTranslation } from 'react-i18next';
import { clock } from '../lib/time';
import type { People } from '../overlap/words';
import { called } from '../people/people';
import { Button } from '../ui/Button';
import { useCopying } from './useCopying';
import type { Marked } from './times';
import { sentenceOf, titleOf, type Told } from './timesWords';

type Cell = { nights: number; outside: number };

/** A bar that counts dates: dark for those at night, dusky for those at the edge of the day. */
function Bar({ nights, outside, dates }: Cell & { dates: number }) {
  const { t } = useTranslation();
  const share = (count: number) => `${Math.round((count / dates) * 60)}%`;
  const edge = outside - nights;
  const words = [nights > 0 && t('fits.nights', { count: nights }), edge > 0 && t('fits.edge', { count: edge })].filter(Boolean).join(', ');
  return (
    <td className="px-2 py-1.5">
      {outside === 0 ? (
        <span className="text-muted">{t('fits.never')}</span>
      ) : (
        <span className="flex items-center gap-2">
          <span aria-hidden className="flex min-w-0 flex-1">
            <span className="h-3.5 bg-night" style={{ width: share(nights) }} />
            <span className="h-3.5 bg-dusk" style={{ width: share(edge) }} />
            <span className="pl-2 whitespace-nowrap">{words}</span>
          </span>
          <span className="sr-only">{words}</span>
        </span>
      )}
    </td>
  );
}

export type BurdenProps = {
  told: Told;
  people: People;
  marked: Marked;
  /** Adds a sentence to what the meeting is for. */ putIn: (sentence: string) => void;
};

/** Who sits outside their hours how often: at the present time, at the marked one, in the rota. */
export function Burden({ told, people, marked, putIn }: BurdenProps) {
  const { t } = useTranslation();
  const copying = useCopying();
  const { times } = told;
  const columns = [
    { title: t('fits.now', { clock: clock(times.present.wall) }), burden: times.present.burden },
    ...(marked.kind === 'time' && marked.time.shiftMinutes !== 0
      ? [{ title: titleOf(t, told, marked.time), burden: marked.time.burden }]
      : []),
    ...(times.rota ? [{ title: t('fits.rota.short'), burden: times.rota.burden }] : []),
  ];
  const rows = times.people
    .map((id, at) => ({ id, at }))
    .filter(({ at }) => times.required[at])
    .toSorted((a, b) => worst(b.at) - worst(a.at) || a.at - b.at);
  const sentence = sentenceOf(t, told, marked);

  return (
    <div className="flex min-h-0 flex-1 flex-col gap-4 overflow-y-auto">
      <table className="w-full table-fixed border-collapse">
        <caption className="pb-1 text-left text-muted">{t('fits.burdenTitle', { count: times.dates })}</caption>
        <thead>
          <tr className="border-b border-line text-left text-note text-muted">
            <th className="w-1/4 py-1 pl-1 font-normal">{t('board.person')}</th>
            {columns.map(({ title }) => (
              <th key={title} className="px-2 py-1 font-normal">
                {title}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {rows.map(({ id, at }) => {
            const person = people.get(id);
            return (
              <tr key={id} className="border-b border-line">
                <th scope="row" className="truncate py-1.5 pl-1 text-left font-semibold">
                  {person ? called(person) : '?'}{' '}
                  <span className="text-note font-normal text-muted">{person?.city ?? t('board.unknownPlace')}</span>
                </th>
                {columns.map(({ title, burden }) => (
                  <Bar key={title} nights={burden[at]?.[0] ?? 0} outside={burden[at]?.[1] ?? 0} dates={times.dates} />
                ))}
              </tr>
            );
          })}
        </tbody>
      </table>
      <section aria-label={t('fits.sentence')} className="max-w-3xl">
        <h2 className="text-note font-semibold text-muted">{t('fits.sentence')}</h2>
        <p className="text-[0.9375rem]">{sentence}</p>
        <p className="no-print flex gap-4">
          <Button look="quiet" onClick={() => copying.text(sentence, t('fits.copied'))}>
            {t('fits.copy')}
          </Button>
          <Button look="quiet" onClick={() => putIn(sentence)}>
            {t('fits.putIn')}
          </Button>
        </p>
      </section>
    </div>
  );

  function worst(at: number): number {
    return (times.present.burden[at]?.[0] ?? 0) * 1000 + (times.present.burden[at]?.[1] ?? 0);
  }
}
