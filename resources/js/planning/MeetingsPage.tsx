import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { clock, shortDate } from '../lib/time';
import { useDebounced } from '../lib/useDebounced';
import { useSession } from '../people/session';
import { Button } from '../ui/Button';
import { ErrorNote } from '../ui/ErrorNote';
import { SelectField, TextField } from '../ui/Field';
import { Page } from '../ui/Page';
import { Pager } from '../ui/Pager';
import { meetingsQuery, startMeeting } from './meetings';

const WHICH = ['all', 'ahead', 'drafts', 'sent', 'called_off', 'over'] as const;

export function MeetingsPage({ chooseFile }: { chooseFile: (() => void) | null }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const plans = useSession()?.account?.plans ?? false;
  const [params, setParams] = useSearchParams();
  // What is typed is held here; the address of the page follows once it rests.
  const [typed, setTyped] = useState(params.get('q') ?? '');
  const q = useDebounced(typed, 150);
  const which = params.get('which') ?? 'all';
  const page = Number(params.get('page') ?? 1);
  const list = useQuery(meetingsQuery(q, which, page));
  const known = params.get('q') ?? '';
  const written = useRef(known);
  useEffect(() => {
    if (known !== written.current) {
      // Somebody followed a link, or went back.
      written.current = known;
      setTyped(known);
    } else if (q === typed && q !== known) {
      written.current = q;
      setParams({ ...(q ? { q } : {}), which }, { replace: true });
    }
  }, [q, known, typed, which, setParams]);
  const start = useMutation({
    mutationFn: (from?: string) => startMeeting(from),
    onSuccess: (meeting) => navigate(`/meetings/${meeting.id}/plan`),
  });
  const data = list.data;

  return (
    <Page
      title={t('meetings.title')}
      heading={data ? t(`meetings.heading.${which}`, { count: data.total }) : t('meetings.title')}
      aside={
        plans && (
          <span className="flex items-center gap-4">
            {chooseFile && (
              <Button look="quiet" onClick={chooseFile}>
                {t('import.fromFile')}
              </Button>
            )}
            <Button look="main" disabled={start.isPending} onClick={() => start.mutate(undefined)}>
              {t('meetings.plan')}
            </Button>
          </span>
        )
      }
    >
      <main className="max-w-6xl px-5 py-4">
        <div className="mb-3 grid max-w-2xl grid-cols-[2fr_1fr] gap-3">
          <TextField
            label={t('meetings.search')}
            type="search"
            value={typed}
            placeholder={t('meetings.searchHint')}
            onChange={(event) => setTyped(event.target.value)}
          />
          <SelectField
            label={t('meetings.which')}
            value={which}
            onChange={(event) => setParams({ ...(typed ? { q: typed } : {}), which: event.target.value })}
          >
            {WHICH.map((one) => (
              <option key={one} value={one}>
                {t(`meetings.filter.${one}`)}
              </option>
            ))}
          </SelectField>
        </div>
        {(list.error || start.error) && <ErrorNote error={list.error ?? start.error} retry={() => void list.refetch()} />}
        {data && data.meetings.length === 0 && (
          <p className="py-8 text-muted">{q === '' && which === 'all' ? t('meetings.empty') : t('meetings.nothingFound')} </p>
        )}
        <ul>
          {data?.meetings.map((meeting) => (
            <li
              key={meeting.id}
              className="grid grid-cols-1 gap-x-6 border-t border-line py-2.5 md:grid-cols-[minmax(0,1fr)_13rem_8rem_12rem] md:items-baseline"
            >
              <div className="min-w-0">
                <Link
                  to={`/meetings/${meeting.id}${meeting.status === 'draft' || meeting.status === 'kept' ? '/plan' : ''}`}
                  className="text-[1rem] font-semibold hover:underline"
                >
                  {meeting.title || t('sheet.untitled')}
                </Link>
                <p className="text-muted">{meeting.sentence}</p>
              </div>
              <p className="text-muted">{t('meetings.people', { count: meeting.attendees, host: meeting.host ?? t('meetings.noHost') })}</p>
              <p>
                {meeting.nextLocal && (
                  <>
                    <span className="narrow font-semibold">{shortDate(meeting.nextLocal)}</span>
                    <span className="block text-note text-muted">
                      {meeting.allDay ? t('board.allDay') : `${clock(meeting.nextLocal)} ${meeting.zoneCity}`}
                    </span>
                  </>
                )}
              </p>
              <p className="flex items-baseline justify-between gap-4 md:justify-end">
                <span className={meeting.status === 'called_off' ? 'text-broken' : 'text-muted'}>
                  {t(`status.${meeting.over ? 'over' : meeting.status}`)}
                </span>
                {plans && (
                  <Button
                    look="quiet"
                    disabled={start.isPending}
                    onClick={() => start.mutate(meeting.id)}
                    aria-label={t('meetings.againLong', { title: meeting.title })}
                  >
                    {t('meetings.again')}
                  </Button>
                )}
              </p>
            </li>
          ))}
        </ul>
        {data && <Pager page={data.page} pages={data.pages} total={data.total} go={(to) => setParams({ q, which, page: String(to) })} />}
      </main>
    </Page>
  );
}
