import '../lib/i18nMore';
import '../lib/i18nPlanning';
import { keepPreviousData, queryOptions, useQuery } from '@tanstack/react-query';
import type { TFunction } from 'i18next';
import { useTranslation } from 'react-i18next';
import { Link, useSearchParams } from 'react-router';
import * as z from 'zod/mini';
import { getJson } from '../lib/api';
import { clock, shortDate } from '../lib/time';
import type { Live } from '../lib/useLive';
import { teamsQuery } from '../people/teams';
import { Awaited } from '../ui/Awaited';
import { Button } from '../ui/Button';
import { SelectField, TextField } from '../ui/Field';
import { Page } from '../ui/Page';
import { Pager } from '../ui/Pager';

const shape = z.object({
  from: z.string(),
  until: z.string(),
  weeks: z.number(),
  choices: z.array(z.number()),
  rows: z.array(
    z.object({
      id: z.string(),
      name: z.string(),
      city: z.string(),
      meetings: z.number(),
      nights: z.number(),
      outside: z.number(),
      minutes: z.number(),
      farthest: z.number(),
      farthestLocal: z.nullable(z.string()),
    }),
  ),
  total: z.number(),
  page: z.number(),
  pages: z.number(),
  people: z.number(),
  unplaced: z.number(),
});
type Report = z.infer<typeof shape>;

const burdenQuery = (asked: string) =>
  queryOptions({
    queryKey: ['burden', asked],
    queryFn: ({ signal }) => getJson(`burden${asked === '' ? '' : `?${asked}`}`, shape, signal),
    placeholderData: keepPreviousData,
    meta: { live: { topics: ['meeting', 'person', 'team'] } satisfies Live },
  });

/** "2 h 30 min" */
export const lasting = (t: TFunction, minutes: number): string =>
  minutes < 60
    ? t('burden.minutes', { minutes })
    : minutes % 60 === 0
      ? t('burden.hours', { hours: minutes / 60 })
      : t('burden.hoursMinutes', { hours: Math.floor(minutes / 60), minutes: minutes % 60 });

/** Over all meetings of a period: who sits outside their hours how often, how long and how far; on one page that prints. */
export function BurdenPage() {
  const [params, setParams] = useSearchParams();
  const asked = new URLSearchParams(
    [...params].filter(([name, value]) => ['from', 'weeks', 'team', 'page'].includes(name) && value !== ''),
  );
  const set = (name: string, value: string) => {
    asked.delete('page');
    asked.set(name, value);
    setParams(asked, { replace: true });
  };
  return (
    <Awaited query={useQuery(burdenQuery(asked.toString()))}>
      {(data) => <Table data={data} team={asked.get('team') ?? ''} set={set} />}
    </Awaited>
  );
}

function Table({ data, team, set }: { data: Report; team: string; set: (name: string, value: string) => void }) {
  const { t } = useTranslation();
  const { data: teams = [] } = useQuery(teamsQuery);
  const most = Math.max(1, ...data.rows.map(({ outside }) => outside));
  const share = (count: number) => `${Math.round((count / most) * 55)}%`;
  return (
    <Page
      title={t('burden.title')}
      above={
        <Link to="/meetings" className="changeable">
          {t('burden.back')}
        </Link>
      }
      heading={t('burden.heading', { from: shortDate(data.from), until: shortDate(data.until) })}
      aside={
        <Button className="no-print" onClick={() => window.print()}>
          {t('burden.print')}
        </Button>
      }
    >
      <main className="overflow-x-auto px-5 py-4">
        <p className="pb-3 text-muted">{t('burden.about')}</p>
        <div className="no-print flex flex-wrap items-end gap-4 pb-4">
          <TextField
            label={t('burden.from')}
            type="date"
            value={data.from}
            onChange={({ target }) => target.value && set('from', target.value)}
          />
          <SelectField label={t('burden.weeks')} value={String(data.weeks)} onChange={({ target }) => set('weeks', target.value)}>
            {data.choices.map((weeks) => (
              <option key={weeks} value={weeks}>
                {t('burden.weeksOf', { count: weeks })}
              </option>
            ))}
          </SelectField>
          <SelectField label={t('burden.team')} value={team} onChange={({ target }) => set('team', target.value)}>
            <option value="">{t('burden.everybody')}</option>
            {teams.map((one) => (
              <option key={one.id} value={one.id}>
                {one.name}
              </option>
            ))}
          </SelectField>
        </div>
        {data.rows.length === 0 ? (
          <p className="text-muted">{t('burden.none')}</p>
        ) : (
          <table className="w-full min-w-[44rem] text-left">
            <thead className="text-note text-muted">
              <tr>
                {(['person', 'meetings', 'outside', 'long', 'farthest'] as const).map((column) => (
                  <th key={column} className={`py-1.5 pr-6 font-medium ${column === 'outside' ? 'w-1/3' : ''}`}>
                    {t(`burden.${column}`)}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {data.rows.map((row) => (
                <tr key={row.id} className="border-t border-line">
                  <th scope="row" className="py-1.5 pr-6 text-left font-normal">
                    <Link to={`/people/${row.id}`} className="font-semibold hover:underline">
                      {row.name}
                    </Link>{' '}
                    <span className="text-note text-muted">{row.city}</span>
                  </th>
                  <td className="py-1.5 pr-6">{row.meetings}</td>
                  <td className="py-1.5 pr-6">
                    {row.outside === 0 ? (
                      <span className="text-muted">{t('burden.never')}</span>
                    ) : (
                      <span className="flex items-center">
                        <span aria-hidden className="h-3.5 bg-night" style={{ width: share(row.nights) }} />
                        <span aria-hidden className="h-3.5 bg-dusk" style={{ width: share(row.outside - row.nights) }} />
                        <span className="pl-2 whitespace-nowrap">
                          {[
                            row.nights > 0 && t('fits.nights', { count: row.nights }),
                            row.outside > row.nights && t('fits.edge', { count: row.outside - row.nights }),
                          ]
                            .filter(Boolean)
                            .join(', ')}
                        </span>
                      </span>
                    )}
                  </td>
                  <td className="py-1.5 pr-6 whitespace-nowrap">{row.minutes > 0 && lasting(t, row.minutes)}</td>
                  <td className="py-1.5 text-note">
                    {row.farthestLocal &&
                      t('burden.far', {
                        far: lasting(t, row.farthest),
                        when: `${shortDate(row.farthestLocal)} ${clock(row.farthestLocal)}`,
                      })}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        {data.unplaced > 0 && <p className="mt-3 text-muted">{t('burden.unplaced', { count: data.unplaced })}</p>}
        <Pager page={data.page} pages={data.pages} total={data.total} go={(page) => set('page', String(page))} />
      </main>
    </Page>
  );
}
