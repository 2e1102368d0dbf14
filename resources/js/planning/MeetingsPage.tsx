import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useSearchParams } from 'react-router';
import { monthYear } from '../lib/time';
import { useDebounced } from '../lib/useDebounced';
import { usePlans } from '../people/session';
import { Button } from '../ui/Button';
import { ErrorNote } from '../ui/ErrorNote';
import { SelectField, TextField } from '../ui/Field';
import { Page } from '../ui/Page';
import { Pager } from '../ui/Pager';
import { DiscardDrafts } from './DiscardDrafts';
import { MeetingRow } from './MeetingRow';
import { meetingsQuery, startMeeting, type Row } from './meetings';

const WHICH = ['ahead', 'drafts', 'sent', 'called_off', 'over', 'all'] as const;

/** Rows under the month of the date under which each is listed, in the order in which they came. */
function byMonth(rows: Row[]): { month: string; meetings: Row[] }[] {
  const months: { month: string; meetings: Row[] }[] = [];
  for (const row of rows) {
    const month = row.shownLocal?.slice(0, 7) ?? '';
    const last = months[months.length - 1];
    if (last?.month === month) {
      last.meetings.push(row);
    } else {
      months.push({ month, meetings: [row] });
    }
  }
  return months;
}

function withOrWithout(chosen: ReadonlySet<string>, id: string, isChosen: boolean): ReadonlySet<string> {
  const next = new Set(chosen);
  if (isChosen) {
    next.add(id);
  } else {
    next.delete(id);
  }
  return next;
}

export function MeetingsPage({ chooseFile }: { chooseFile: (() => void) | null }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const plans = usePlans();
  const [params, setParams] = useSearchParams();
  // What is typed is held here; the address of the page follows once it rests.
  const [typed, setTyped] = useState(params.get('q') ?? '');
  const q = useDebounced(typed, 150);
  // Whoever searches and says nothing else means everything, what is over too.
  const said = params.get('which');
  const which = said ?? (q ? 'all' : 'ahead');
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
      setParams({ ...(q ? { q } : {}), ...(said ? { which: said } : {}) }, { replace: true });
    }
  }, [q, known, typed, said, setParams]);
  const start = useMutation({
    mutationFn: (from?: string) => startMeeting(from),
    onSuccess: (meeting) => navigate(`/meetings/${meeting.id}/plan`),
  });
  const data = list.data;
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const months = byMonth(data?.meetings ?? []);

  return (
    <Page
      title={t('meetings.title')}
      heading={data ? t(`meetings.heading.${which}`, { count: data.total }) : t('meetings.title')}
      aside={
        plans && (
          <span className="flex items-center gap-4">
            <Link to="/burden" className="changeable">
              {t('room.burden')}
            </Link>
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
      <main className="px-5 py-4">
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
          <p className="py-8 text-muted">
            {q !== '' ? t('meetings.nothingFound') : t(which === 'ahead' || which === 'all' ? 'meetings.empty' : 'meetings.noneSo')}{' '}
          </p>
        )}
        {data && which === 'drafts' && data.meetings.length > 0 && (
          <DiscardDrafts
            drafts={data.meetings.filter((meeting) => meeting.status === 'draft').map((meeting) => meeting.id)}
            chosen={chosen}
            choose={setChosen}
          />
        )}
        {months.map(({ month, meetings }) => (
          <section key={month} aria-labelledby={`month-${month}`} className="mb-5">
            <h2 id={`month-${month}`} className="narrow pt-2 pb-1 text-19 font-semibold">
              {month === '' ? t('meetings.noDate') : monthYear(`${month}-01T00:00:00`)}
            </h2>
            <ul>
              {meetings.map((meeting) => (
                <MeetingRow
                  key={meeting.id}
                  meeting={meeting}
                  chosen={which === 'drafts' && meeting.status === 'draft' ? chosen.has(meeting.id) : null}
                  choose={(isChosen) => setChosen((now) => withOrWithout(now, meeting.id, isChosen))}
                  again={plans ? () => start.mutate(meeting.id) : null}
                  pending={start.isPending}
                />
              ))}
            </ul>
          </section>
        ))}
        {data && <Pager page={data.page} pages={data.pages} total={data.total} go={(to) => setParams({ q, which, page: String(to) })} />}
      </main>
    </Page>
  );
}
