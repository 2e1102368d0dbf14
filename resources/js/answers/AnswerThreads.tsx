import { useTranslation } from 'react-i18next';
import '../lib/i18nAnswers';
import { listed, shortDate } from '../lib/time';
import { called } from '../people/people';
import type { Answers, AnsweredDate, Partstat } from './answers';

/** A stretch of a person's thread: whole comes, broken perhaps, dotted silent, a bar across cannot; handed on it leaves to the side. */
const THREAD: Record<Partstat, string> = {
  accepted: 'border-s-[3px] border-solid border-ink',
  tentative: 'border-s-2 border-dashed border-ink',
  'needs-action': 'border-s-2 border-dotted border-muted',
  declined: 'border-s border-solid border-odd/50',
  delegated: 'border-s-2 border-double border-muted',
};

/** Dates run down, each person is a thread through them. It is a table for whoever hears it read. */
export function AnswerThreads({ answers }: { answers: Answers }) {
  const { t } = useTranslation();
  const { people, dates } = answers;
  return (
    <>
      <p className="pb-2 text-muted">{t('answers.picture')}</p>
      <div role="region" aria-label={t('answers.title')} tabIndex={0} className="relative overflow-x-auto">
        <table className="border-separate border-spacing-y-0.5 text-left">
          <thead>
            <tr>
              <th scope="col">
                <span className="sr-only">{t('answers.date')}</span>
              </th>
              {people.map(({ person, role, undelivered }) => (
                <th key={person.id} scope="col" className="relative px-1 pb-1 text-center align-bottom">
                  <abbr
                    title={called(person)}
                    className={`inline-block w-8 no-underline ${role === 'optional' ? 'font-normal text-muted' : 'font-bold'}`}
                  >
                    <span aria-hidden>{person.initials}</span>
                    <span className="sr-only">{called(person)}</span>
                  </abbr>
                  {undelivered !== null && (
                    <span
                      className="mx-auto block h-5 w-5 rounded border-2 border-broken bg-sheet text-note leading-4 font-bold text-broken"
                      title={t('answers.undelivered', { name: called(person), said: undelivered })}
                    >
                      <span aria-hidden>!</span>
                      <span className="sr-only">{t('answers.undelivered', { name: called(person), said: undelivered })}</span>
                    </span>
                  )}
                </th>
              ))}
              <th scope="col">
                <span className="sr-only">{t('answers.inWords')}</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {dates.map((date) => (
              <tr key={date.date}>
                <th scope="row" className="pe-4 font-normal whitespace-nowrap">
                  <span className="block font-semibold">{shortDate(date.local)}</span>
                  <span className="block text-note text-muted">
                    {t('answers.coming', { coming: date.coming, required: date.required })}
                  </span>
                </th>
                {people.map(({ person }) => (
                  <Said key={person.id} said={date.said[person.id]} isLost={date.lost.length > 0} />
                ))}
                <td className="min-w-64 ps-4">{words(date)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </>
  );

  function words(date: AnsweredDate): string {
    const of = (partstat: Partstat) => people.filter(({ person }) => date.said[person.id] === partstat);
    const names = (found: typeof people) => listed(found.map(({ person }) => called(person)));
    const [cannot, perhaps, silent] = [of('declined'), of('tentative'), of('needs-action')];
    const said = [
      ...(cannot.length > 0 ? [t('answers.row.cannot', { count: cannot.length, names: names(cannot) })] : []),
      ...(perhaps.length > 0 ? [t('answers.row.perhaps', { names: names(perhaps) })] : []),
      ...(silent.length > 0 ? [t('answers.row.silent', { count: silent.length })] : []),
    ];
    return said.length === 0 ? t('answers.row.all') : `${said.join('. ')}.`;
  }
}

function Said({ said, isLost }: { said: Partstat | undefined; isLost: boolean }) {
  const { t } = useTranslation();
  return (
    <td className={`relative h-12 px-1 ${isLost ? 'ground-dusk' : 'ground-day'}`}>
      <span className="sr-only">{said ? t(`partstat.${said}`) : t('answers.notAsked')}</span>
      {said && (
        <span aria-hidden className="absolute inset-y-0 left-1/2 flex -translate-x-1/2 items-center justify-center">
          <span className={`h-full ${THREAD[said]}`} />
          {said === 'declined' && (
            <span className="absolute h-5 w-5 rounded border-2 border-odd bg-sheet text-center leading-4 font-bold text-odd">–</span>
          )}
          {said === 'delegated' && (
            <span className="absolute h-5 w-5 rounded border-2 border-muted bg-sheet text-center text-note leading-4 font-bold">›</span>
          )}
        </span>
      )}
    </td>
  );
}
