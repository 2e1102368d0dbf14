import { useIsMutating, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useLocation } from 'react-router';
import '../lib/i18nMore';
import { ApiError } from '../lib/api';
import { PeopleRooms } from '../people/PeopleRooms';
import { Button } from '../ui/Button';
import { ErrorNote } from '../ui/ErrorNote';
import { Page } from '../ui/Page';
import { Progress } from '../ui/Progress';
import { CHOOSING, ColumnTable } from './ColumnTable';
import { bringPeople, importState, isPeople, MOST, startImport, type ImportState, type Looked } from './peopleFiles';

/** A list of people taken into the directory: chosen, looked at column by column, taken, told of. */
export function PeopleImportPage() {
  const { t } = useTranslation();
  const dropped: unknown = useLocation().state;
  const given = dropped instanceof Object && 'file' in dropped && dropped.file instanceof File ? dropped.file : null;
  const [looked, setLooked] = useState<Looked | null>(null);
  const [running, setRunning] = useState<string | null>(null);
  const again = () => {
    setLooked(null);
    setRunning(null);
  };
  return (
    <Page
      title={t('peopleFile.title')}
      above={<PeopleRooms />}
      heading={looked ? t('peopleFile.of', { name: looked.name || t('peopleFile.aFile') }) : t('peopleFile.heading')}
    >
      <main className="px-5 py-4">
        {running ? (
          <Taken id={running} again={again} />
        ) : looked ? (
          <Look looked={looked} setLooked={setLooked} started={setRunning} again={again} />
        ) : (
          <Choose given={given} looked={setLooked} />
        )}
      </main>
    </Page>
  );
}

function Choose({ given, looked }: { given: File | null; looked: (found: Looked) => void }) {
  const { t } = useTranslation();
  const input = useRef<HTMLInputElement>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const bring = useMutation({ mutationFn: bringPeople, onSuccess: looked });
  const take = (file: File | undefined) => {
    setRefused(null);
    if (!file) {
      return;
    }
    if (file.size > MOST) {
      setRefused(t('peopleFile.tooLarge'));
    } else if (isPeople(file) || file.type === '' || /\.txt$/i.test(file.name)) {
      bring.mutate(file);
    } else {
      setRefused(t('peopleFile.notPeople', { name: file.name }));
    }
  };
  const error = bring.error instanceof ApiError ? (bring.error.field('file') ?? bring.error.message) : null;
  return (
    <div className="max-w-2xl">
      <p>{t('peopleFile.text')}</p>
      <ul className="my-3 list-disc pl-5 text-muted">
        {(['columns', 'zones', 'again', 'calendars'] as const).map((one) => (
          <li key={one}>{t(`peopleFile.hint.${one}`)}</li>
        ))}
      </ul>
      <p className="flex flex-wrap gap-3">
        <Button look="main" disabled={bring.isPending} onClick={() => (given && !bring.isError ? take(given) : input.current?.click())}>
          {given && !bring.isError ? t('peopleFile.read', { name: given.name }) : t('peopleFile.choose')}
        </Button>
        {bring.isPending && <span role="status">{t('peopleFile.reading')}</span>}
      </p>
      <input
        ref={input}
        type="file"
        hidden
        accept=".csv,.tsv,.txt,.vcf,text/csv,text/vcard"
        aria-label={t('peopleFile.choose')}
        onChange={(event) => {
          take(event.target.files?.[0]);
          event.target.value = '';
        }}
      />
      {(refused ?? error) && (
        <p role="alert" className="mt-3 font-semibold text-broken">
          {refused ?? error}
        </p>
      )}
      <h2 className="mt-8 mb-1 font-semibold">{t('peopleFile.out')}</h2>
      <p className="text-muted">{t('peopleFile.outText')}</p>
      <p className="mt-1 flex flex-wrap gap-4">
        <a className="changeable" href="/api/people/export.csv" download>
          {t('peopleFile.outCsv')}
        </a>
        <a className="changeable" href="/api/people/export.vcf" download>
          {t('peopleFile.outCards', { version: '4' })}
        </a>
        <a className="changeable" href="/api/people/export.vcf?version=3.0" download>
          {t('peopleFile.outCards', { version: '3' })}
        </a>
      </p>
    </div>
  );
}

type LookProps = { looked: Looked; setLooked: (looked: Looked) => void; started: (id: string) => void; again: () => void };

function Look({ looked, setLooked, started, again }: LookProps) {
  const { t } = useTranslation();
  const start = useMutation({ mutationFn: () => startImport(looked.id), onSuccess: ({ id }) => started(id) });
  const choosing = useIsMutating({ mutationKey: CHOOSING }) > 0;
  const { counts, refused } = looked.look;
  const taken = counts.new + counts.changed;
  return (
    <>
      <ColumnTable looked={looked} setLooked={setLooked} />
      <p className="mt-4 text-19" role="status">
        {t('peopleFile.would', { new: counts.new, changed: counts.changed, same: counts.same })}{' '}
        {counts.refused > 0 && <strong className="text-odd">{t('peopleFile.wouldRefuse', { count: counts.refused })}</strong>}
      </p>
      {refused.length > 0 && <Refused rows={refused} total={counts.refused} />}
      {start.error && <ErrorNote error={start.error} />}
      <p className="mt-4 flex gap-3">
        <Button onClick={again}>{t('peopleFile.another')}</Button>
        <Button look="main" disabled={start.isPending || choosing || taken === 0} onClick={() => start.mutate()}>
          {taken === 0 ? t('peopleFile.nothing') : t('peopleFile.take', { count: taken })}
        </Button>
      </p>
    </>
  );
}

function Refused({ rows, total }: { rows: Looked['look']['refused']; total: number }) {
  const { t } = useTranslation();
  return (
    <table className="mt-3 w-full max-w-4xl text-left">
      <caption className="text-left text-note font-semibold text-muted">{t('peopleFile.refused')}</caption>
      <tbody>
        {rows.map((row) => (
          <tr key={row.line} className="border-t border-line align-baseline">
            <td className="py-1 pr-4 text-muted whitespace-nowrap">{t('peopleFile.line', { line: row.line })}</td>
            <td className="py-1 pr-4 font-semibold break-words">{row.who || '–'}</td>
            <td className="py-1">{row.why}</td>
          </tr>
        ))}
      </tbody>
      {total > rows.length && (
        <tfoot>
          <tr className="border-t border-line">
            <td colSpan={3} className="py-1 text-muted">
              {t('peopleFile.moreRefused', { count: total - rows.length })}
            </td>
          </tr>
        </tfoot>
      )}
    </table>
  );
}

function Taken({ id, again }: { id: string; again: () => void }) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const { data, error, refetch } = useQuery({
    queryKey: ['people-import', id],
    queryFn: async ({ signal }): Promise<ImportState> => {
      const now = await importState(id, signal);
      if (now.state === 'done') {
        await Promise.all([['people'], ['teams'], ['suggest']].map((queryKey) => client.invalidateQueries({ queryKey })));
      }
      return now;
    },
    refetchInterval: (query) => (query.state.data?.state === 'running' ? 700 : false),
  });
  if (error) {
    return <ErrorNote error={error} retry={() => void refetch()} />;
  }
  if (!data || data.state === 'running' || data.state === 'looked') {
    return (
      <div className="max-w-xl" role="status">
        <p className="mb-2 font-semibold">{t('peopleFile.taking', { done: data?.done ?? 0, total: data?.total ?? 0 })}</p>
        <Progress label={t('peopleFile.progress')} done={data?.done ?? 0} total={data?.total ?? 0} />
        <p className="mt-1 text-note text-muted">{t('peopleFile.leave')}</p>
      </div>
    );
  }
  if (data.state === 'failed' || !data.counts) {
    return (
      <>
        <p role="alert" className="font-semibold text-broken">
          {t('peopleFile.failed')}
        </p>
        <Button onClick={again}>{t('peopleFile.another')}</Button>
      </>
    );
  }
  return (
    <>
      <p className="text-19" role="status">
        {t('peopleFile.did', { new: data.counts.new, changed: data.counts.changed, same: data.counts.same })}{' '}
        {data.counts.refused > 0 && <strong className="text-odd">{t('peopleFile.didRefuse', { count: data.counts.refused })}</strong>}
      </p>
      {data.refused.length > 0 && (
        <>
          <Refused rows={data.refused} total={data.counts.refused} />
          <p className="mt-1">
            <a className="changeable" href={`/api/people-imports/${id}/refused.csv`} download>
              {t('peopleFile.refusedFile')}
            </a>
          </p>
        </>
      )}
      {data.changed.length > 0 && (
        <details className="mt-3">
          <summary className="cursor-pointer font-semibold">{t('peopleFile.whatChanged')}</summary>
          <ul>
            {data.changed.map((row, index) => (
              <li key={index}>
                {row.who}{' '}
                <span className="text-muted">
                  {row.what.map((what) => t(`peopleFile.column.${what}`, { defaultValue: what })).join(', ')}
                </span>
              </li>
            ))}
          </ul>
        </details>
      )}
      <p className="mt-4 flex items-baseline gap-4">
        <Link className="changeable font-semibold" to="/people">
          {t('peopleFile.toPeople')}
        </Link>
        <Button onClick={again}>{t('peopleFile.another')}</Button>
      </p>
    </>
  );
}
