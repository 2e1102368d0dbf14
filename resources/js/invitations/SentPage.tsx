import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useSearchParams } from 'react-router';
import { ApiError } from '../lib/api';
import { useDebounced } from '../lib/useDebounced';
import { Button } from '../ui/Button';
import { ErrorNote } from '../ui/ErrorNote';
import { SelectField, TextField } from '../ui/Field';
import { useTell } from '../ui/Notice';
import { Page } from '../ui/Page';
import { Pager } from '../ui/Pager';
import { DispatchList } from './DispatchList';
import { dispatchesQuery, sendAllAgain } from './dispatches';

/** The dispatch book. */
export function SentPage() {
  const { t } = useTranslation();
  const [params, setParams] = useSearchParams();
  const [q, setQ] = useState('');
  const state = params.get('state') ?? '';
  const meeting = params.get('meeting') ?? '';
  const page = Number(params.get('page') ?? 1);
  const { data, error, refetch } = useQuery(dispatchesQuery(useDebounced(q, 150), state, meeting, page));
  const tell = useTell();
  const client = useQueryClient();
  const again = useMutation({
    mutationFn: () => sendAllAgain(meeting),
    onSuccess: (count) => {
      tell(t('sent.onTheirWay', { count }));
      void client.invalidateQueries();
    },
    onError: (failed) => tell(failed instanceof ApiError ? failed.message : t('failure.unexpected'), { tone: 'broken' }),
  });
  const go = (next: Record<string, string>) => setParams({ ...(state ? { state } : {}), ...(meeting ? { meeting } : {}), ...next });
  return (
    <Page
      title={t('sent.title')}
      heading={data ? t('sent.heading', { count: data.total }) : t('sent.title')}
      aside={
        data &&
        data.undelivered > 0 && (
          <Button disabled={again.isPending} onClick={() => again.mutate()}>
            {t('sent.allAgain', { count: data.undelivered })}
          </Button>
        )
      }
    >
      <main className="px-5 py-4">
        <div className="mb-3 grid max-w-2xl grid-cols-[2fr_1fr] gap-3">
          <TextField
            label={t('sent.search')}
            type="search"
            value={q}
            placeholder={t('sent.searchHint')}
            onChange={(event) => setQ(event.target.value)}
          />
          <SelectField label={t('sent.which')} value={state} onChange={(event) => go({ state: event.target.value })}>
            {['', 'open', 'sent', 'failed', 'withdrawn'].map((one) => (
              <option key={one} value={one}>
                {t(`sent.filter.${one || 'all'}`)}
              </option>
            ))}
          </SelectField>
        </div>
        {error && <ErrorNote error={error} retry={() => void refetch()} />}
        {data?.total === 0 && <p className="py-8 text-muted">{t(q === '' && state === '' ? 'sent.empty' : 'sent.nothingFound')}</p>}
        {data && <DispatchList dispatches={data.dispatches} withMeeting />}
        {data && <Pager page={data.page} pages={data.pages} total={data.total} go={(to) => go({ page: String(to) })} />}
      </main>
    </Page>
  );
}
