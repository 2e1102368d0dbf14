import '../lib/i18nMore';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError } from '../lib/api';
import { clock, dayMonth } from '../lib/time';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { useTell } from '../ui/Notice';
import { Popover } from '../ui/Popover';
import { calendarQuery, connectFeed, disconnect, readFile, readNow, showTitles, type Calendar } from './calendars';
import { Part } from './Part';
import { called } from './people';
import type { PersonPage } from './person';

const at = (wall: string | null) => (wall === null ? '' : `${dayMonth(wall)}, ${clock(wall)}`);

/** Where somebody's busy times come from, how old they are, and how to change that. */
export function CalendarPart({ person }: { person: PersonPage }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const { data } = useQuery(calendarQuery(person.id));
  const [open, setOpen] = useState(false);
  const refresh = () => Promise.all([['calendar'], ['person-week']].map((queryKey) => client.invalidateQueries({ queryKey })));
  const failed = (error: unknown) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' });
  const change = useMutation({ mutationFn: (run: () => Promise<unknown>) => run(), onSuccess: refresh, onError: failed });
  if (!data) {
    return null;
  }
  const { calendar } = data;
  return (
    <Part title={t(person.own ? 'calendar.titleOwn' : 'calendar.title', { name: called(person).split(' ')[0] })}>
      {calendar ? <CalendarState calendar={calendar} /> : <p className="text-muted">{t('calendar.none')}</p>}
      <p className="flex flex-wrap gap-x-4">
        {calendar?.kind === 'feed' && (
          <Button look="quiet" disabled={change.isPending} onClick={() => change.mutate(() => readNow(person.id))}>
            {t('calendar.now')}
          </Button>
        )}
        <Popover
          open={open}
          onOpenChange={setOpen}
          label={t(calendar ? 'calendar.change' : 'calendar.connect')}
          trigger={
            <button type="button" className="changeable">
              {t(calendar ? 'calendar.change' : 'calendar.connect')}
            </button>
          }
        >
          <ConnectForm
            personId={person.id}
            done={async () => {
              setOpen(false);
              await refresh();
            }}
          />
          {calendar && (
            <Button
              look="quiet"
              onClick={() =>
                change.mutate(() => disconnect(person.id), {
                  onSuccess: () => {
                    setOpen(false);
                    tell(t('calendar.removed'));
                  },
                })
              }
            >
              {t('calendar.remove')}
            </Button>
          )}
        </Popover>
        {calendar?.mayShowTitles && (
          <Button look="quiet" onClick={() => change.mutate(() => showTitles(person.id, !calendar.showsTitles))}>
            {t(calendar.showsTitles ? 'calendar.hide' : 'calendar.show')}
          </Button>
        )}
      </p>
    </Part>
  );
}

function CalendarState({ calendar }: { calendar: Calendar }) {
  const { t } = useTranslation();
  if (calendar.kind === 'file') {
    return <p>{t('calendar.file', { label: calendar.label, at: at(calendar.readLocal) })}</p>;
  }
  return (
    <>
      <p>
        {t('calendar.feed', { label: calendar.label })} {calendar.state === 'new' && calendar.readLocal === null && t('calendar.waiting')}
        {calendar.state === 'ok' && t('calendar.read', { at: at(calendar.readLocal), count: calendar.events })}
      </p>
      {calendar.state === 'failing' && (
        <p className="text-odd">
          <strong>{t('calendar.failing', { problem: calendar.problem })}</strong>{' '}
          {t('calendar.failedTimes', { count: calendar.failures, at: at(calendar.nextLocal) })}{' '}
          {calendar.readLocal ? t('calendar.stands', { at: at(calendar.readLocal) }) : t('calendar.never')}
        </p>
      )}
      <p className="text-note text-muted">{t(calendar.showsTitles ? 'calendar.shows' : 'calendar.hides')}</p>
    </>
  );
}

function ConnectForm({ personId, done }: { personId: string; done: () => Promise<void> }) {
  const { t } = useTranslation();
  const input = useRef<HTMLInputElement>(null);
  const [url, setUrl] = useState('');
  const connect = useMutation({ mutationFn: () => connectFeed(personId, url), onSuccess: done });
  const read = useMutation({ mutationFn: (file: File) => readFile(personId, file), onSuccess: done });
  const said = (error: Error | null, field: string) => (error instanceof ApiError ? (error.field(field) ?? error.message) : undefined);
  return (
    <>
      <form
        noValidate
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          connect.mutate();
        }}
      >
        <TextField
          label={t('calendar.url')}
          hint={t('calendar.urlHint')}
          autoFocus
          autoComplete="off"
          placeholder="https://"
          value={url}
          error={said(connect.error, 'url')}
          onChange={(event) => setUrl(event.target.value)}
        />
        <div className="flex justify-end">
          <Button look="main" type="submit" disabled={url.trim() === '' || connect.isPending}>
            {t('calendar.connect')}
          </Button>
        </div>
      </form>
      <p>
        {t('calendar.orFile')}{' '}
        <Button look="quiet" disabled={read.isPending} onClick={() => input.current?.click()}>
          {t('calendar.chooseFile')}
        </Button>
      </p>
      <input
        ref={input}
        type="file"
        hidden
        accept=".ics,.ifb,text/calendar"
        aria-label={t('calendar.chooseFile')}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) {
            read.mutate(file);
          }
        }}
      />
      {read.error && (
        <p role="alert" className="font-semibold text-broken">
          {said(read.error, 'file')}
        </p>
      )}
    </>
  );
}
