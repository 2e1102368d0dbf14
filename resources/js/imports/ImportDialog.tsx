import { keepPreviousData, useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { ApiError } from '../lib/api';
import { clock, shortDate } from '../lib/time';
import { useDebounced } from '../lib/useDebounced';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { TextField } from '../ui/Field';
import { useTell } from '../ui/Notice';
import { lookThrough, MOST, openEvent, type Found, type Opened } from './calendarFiles';

/** A calendar file from elsewhere: its only event opens as a draft, of several one is chosen. */
export function ImportDialog({ file, close }: { file: File; close: () => void }) {
  const { t } = useTranslation();
  const tell = useTell();
  const navigate = useNavigate();
  const [words, setWords] = useState('');
  const asked = useDebounced(words.trim(), 200);
  const tooLarge = file.size > MOST;
  const found = useQuery({
    queryKey: ['calendar-file', file.name, file.size, file.lastModified, asked],
    queryFn: ({ signal }) => lookThrough(file, asked, signal),
    enabled: !tooLarge,
    placeholderData: keepPreviousData,
    retry: false,
    gcTime: 0,
  });
  // Of one event there is nothing to choose.
  const only = asked === '' && found.data?.total === 1 ? found.data.events[0]?.key : undefined;
  const [opened, setOpened] = useState<Opened | null>(null);
  const open = useMutation({
    mutationFn: (key: string) => openEvent(file, key),
    onSuccess: (made) => {
      // Oddities were told before, unless there was nothing to choose.
      if (made.notes.length === 0 && (made.warnings.length === 0 || !only)) {
        toSheet(made);
      } else {
        setOpened(made);
      }
    },
  });
  const toSheet = (made: Opened) => {
    close();
    tell(t('import.opened', { file: file.name }));
    void navigate(`/meetings/${made.meeting.id}/plan`);
  };
  const started = useRef(false);
  const { mutate } = open;
  useEffect(() => {
    if (only && !started.current) {
      started.current = true;
      mutate(only);
    }
  }, [only, mutate]);

  const failed = open.error ?? found.error;
  const said = tooLarge
    ? t('import.tooLarge')
    : failed instanceof ApiError
      ? (failed.field('file') ?? failed.message)
      : failed
        ? t('failure.unexpected')
        : null;

  return (
    <Dialog open onOpenChange={close} title={opened ? t('import.openedTitle') : t('import.title', { file: file.name })}>
      {said && (
        <p role="alert" className="border-l-4 border-broken pl-3 font-semibold">
          {said}
        </p>
      )}
      {opened ? (
        <>
          {opened.notes.length > 0 && <p className="text-muted">{t('import.notes')}</p>}
          <ul className="flex list-disc flex-col gap-1 pl-5">
            {opened.notes.map((note) => (
              <li key={note}>{note}</li>
            ))}
          </ul>
          <Warnings {...opened} />
          <div className="flex justify-end">
            <Button look="main" autoFocus onClick={() => toSheet(opened)}>
              {t('import.toSheet')}
            </Button>
          </div>
        </>
      ) : !said && (!found.data || only) ? (
        <p role="status">{t('import.reading')}</p>
      ) : (
        found.data && (
          <>
            {(found.data.total > 8 || words !== '') && (
              <TextField
                label={t('import.search')}
                type="search"
                autoFocus
                value={words}
                onChange={(event) => setWords(event.target.value)}
              />
            )}
            <p className="text-muted">
              {found.data.total > found.data.events.length
                ? t('import.latest', { shown: found.data.events.length, count: found.data.total })
                : t('import.choose', { count: found.data.total })}
            </p>
            <Events events={found.data.events} choose={mutate} pending={open.isPending} />
            <Warnings {...found.data} />
          </>
        )
      )}
      {!opened && (
        <div className="flex justify-end">
          <Button onClick={close}>{t('action.cancel')}</Button>
        </div>
      )}
    </Dialog>
  );
}

function Events({ events, choose, pending }: { events: Found['events']; choose: (key: string) => void; pending: boolean }) {
  const { t } = useTranslation();
  return (
    <ul className="max-h-[40vh] overflow-y-auto">
      {events.map((event) => (
        <li key={event.key} className="flex items-center justify-between gap-3 border-t border-line py-2">
          <span className="min-w-0">
            <strong className="block truncate">{event.title || t('sheet.untitled')}</strong>
            <span className="text-note text-muted">
              {shortDate(event.start.slice(0, 19))}
              {!event.allDay && `, ${clock(event.start)}`}
              {event.repeated && `, ${t('import.repeated')}`}
              {event.people > 0 && `, ${t('import.people', { count: event.people })}`}
            </span>
          </span>
          <Button small disabled={pending} onClick={() => choose(event.key)} aria-label={t('import.openLong', { title: event.title })}>
            {t('import.open')}
          </Button>
        </li>
      ))}
    </ul>
  );
}

/** What was odd about the file. */
function Warnings({ warnings, moreWarnings }: Pick<Found, 'warnings' | 'moreWarnings'>) {
  const { t } = useTranslation();
  if (warnings.length === 0) {
    return null;
  }
  return (
    <details className="text-note text-muted">
      <summary>{t('import.warnings', { count: warnings.length + moreWarnings })}</summary>
      <ul className="mt-1 flex flex-col gap-0.5">
        {warnings.map((warning, index) => (
          <li key={index}>{warning.line === null ? warning.message : t('import.line', { line: warning.line, said: warning.message })}</li>
        ))}
        {moreWarnings > 0 && <li>{t('import.moreWarnings', { count: moreWarnings })}</li>}
      </ul>
    </details>
  );
}
