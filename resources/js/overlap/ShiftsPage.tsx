import '../lib/i18nPlanning';
import { queryOptions, useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import * as z from 'zod/mini';
import { getJson } from '../lib/api';
import type { Live } from '../lib/useLive';
import { clock, dayMonth, shortDate, weekday } from '../lib/time';
import { Awaited } from '../ui/Awaited';
import { Button } from '../ui/Button';
import { Page } from '../ui/Page';

const shape = z.object({
  title: z.string(),
  zoneCity: z.string(),
  dates: z.number(),
  complete: z.boolean(),
  people: z.array(
    z.object({
      name: z.string(),
      city: z.string(),
      first: z.nullable(z.string()),
      changes: z.array(z.object({ on: z.string(), was: z.string(), now: z.string() })),
      outside: z.array(z.string()),
    }),
  ),
  unplaced: z.array(z.string()),
});

const shiftsQuery = (id: string) =>
  queryOptions({
    queryKey: ['shifts', id],
    queryFn: ({ signal }) => getJson(`meetings/${id}/shifts`, shape, signal),
    meta: { live: { topics: ['meeting', 'person'] } satisfies Live },
  });

const DATES_NAMED = 4;

const said = (walls: string[]) => walls.map((local) => `${dayMonth(local)} ${clock(local)}`).join(', ');

/** The clock shift report of a series, on one page that prints. */
export function ShiftsPage() {
  const { id = '' } = useParams();
  return <Awaited query={useQuery(shiftsQuery(id))}>{(data) => <Report id={id} data={data} />}</Awaited>;
}

function Report({ id, data }: { id: string; data: z.infer<typeof shape> }) {
  const { t } = useTranslation();
  return (
    <Page
      title={t('shifts.title')}
      above={
        <Link to={`/meetings/${id}`} className="changeable">
          {t('shifts.back')}
        </Link>
      }
      heading={t('shifts.heading', { title: data.title || t('sheet.untitled'), city: data.zoneCity })}
      aside={
        <div className="no-print flex gap-2.5">
          <a href={`/api/meetings/${id}/shifts.csv`} className="rounded-md border border-ink bg-sheet px-4 py-2 font-semibold">
            {t('shifts.csv')}
          </a>
          <Button onClick={() => window.print()}>{t('shifts.print')}</Button>
        </div>
      }
    >
      <main className="overflow-x-auto px-5 py-4">
        {data.people.length === 0 ? (
          <p className="text-muted">{t('shifts.empty')}</p>
        ) : (
          <table className="w-full min-w-[40rem] text-left">
            <thead className="text-note text-muted">
              <tr>
                {['person', 'first', 'moves', 'outside'].map((column) => (
                  <th key={column} className="py-1.5 pr-6 font-medium">
                    {t(`shifts.${column}`)}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {data.people.map((person) => (
                <tr key={person.name} className="border-t border-line align-top">
                  <td className="py-2 pr-6">
                    <span className="font-semibold">{person.name}</span> <span className="text-note text-muted">{person.city}</span>
                  </td>
                  <td className="py-2 pr-6 whitespace-nowrap">
                    {person.first && `${weekday(person.first)} ${dayMonth(person.first)}, ${clock(person.first)}`}
                  </td>
                  <td className="py-2 pr-6">
                    {person.changes.length === 0 ? (
                      <span className="text-muted">{t('shifts.never')}</span>
                    ) : (
                      person.changes.map((change) => (
                        <span key={change.on} className="block font-medium text-odd">
                          {t('shifts.move', { date: shortDate(change.on), was: change.was, now: change.now })}
                        </span>
                      ))
                    )}
                  </td>
                  <td className="py-2">
                    {person.outside.length === 0 ? (
                      <span className="text-muted">{t('shifts.never')}</span>
                    ) : (
                      <>
                        {t('shifts.count', {
                          count: person.outside.length,
                          of: data.dates,
                          dates: said(person.outside.slice(0, DATES_NAMED)),
                        })}
                        {person.outside.length > DATES_NAMED && (
                          <>
                            <span className="print:hidden"> {t('shifts.more', { count: person.outside.length - DATES_NAMED })}</span>
                            <span className="hidden print:inline">, {said(person.outside.slice(DATES_NAMED))}</span>
                          </>
                        )}
                      </>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {data.unplaced.length > 0 && (
          <p className="mt-3 text-muted">{t('shifts.unplaced', { names: new Intl.ListFormat('en').format(data.unplaced) })}</p>
        )}
        {!data.complete && <p className="mt-3 text-muted">{t('shifts.cut', { count: data.dates })}</p>}
      </main>
    </Page>
  );
}
