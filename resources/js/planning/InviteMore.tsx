import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import '../lib/i18nPlanning';
import { ApiError } from '../lib/api';
import { listed } from '../lib/time';
import { called, type Person } from '../people/people';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { useTell } from '../ui/Notice';
import { AddPerson } from './AddPerson';
import { EntriesProvider, useFinishEntries } from './entries';
import { datesQuery, meetingQuery, type Meeting } from './meetings';
import { inviteMore } from './now';

/** More people for a meeting that was sent, asked by whoever may: by those who plan, and by attendees where it says so. */
export function InviteMore({ meeting }: { meeting: Meeting }) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  return (
    <>
      <p className="no-print py-1">
        <Button look="quiet" onClick={() => setOpen(true)}>
          {t('invite.open')}
        </Button>
      </p>
      {open && (
        <EntriesProvider>
          <Chosen meeting={meeting} close={() => setOpen(false)} />
        </EntriesProvider>
      )}
    </>
  );
}

function Chosen({ meeting, close }: { meeting: Meeting; close: () => void }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const finish = useFinishEntries();
  const [people, setPeople] = useState<Person[]>([]);
  const invite = useMutation({
    mutationFn: (asked: Person[]) =>
      inviteMore(
        meeting.id,
        asked.map(({ id }) => id),
      ),
    onSuccess: (now, asked) => {
      client.setQueryData(meetingQuery(meeting.id).queryKey, now);
      void client.invalidateQueries({ queryKey: datesQuery(meeting.id).queryKey });
      tell(t('invite.done', { count: asked.length, names: listed(asked.map(called)) }));
      close();
    },
  });
  const error = invite.error instanceof ApiError ? (Object.values(invite.error.errors)[0]?.[0] ?? invite.error.message) : null;
  const isSeries = meeting.rule !== null || meeting.extra.length > 0;
  return (
    <Dialog open onOpenChange={close} title={t('invite.title')} description={t(isSeries ? 'invite.aboutSeries' : 'invite.aboutOne')}>
      <ul>
        {people.map((person) => (
          <li key={person.id} className="flex justify-between gap-4 border-t border-line py-1.5">
            <span className="font-semibold">{called(person)}</span>
            <Button
              look="quiet"
              aria-label={t('invite.without', { name: called(person) })}
              onClick={() => setPeople(people.filter(({ id }) => id !== person.id))}
            >
              {t('now.without')}
            </Button>
          </li>
        ))}
      </ul>
      <AddPerson
        beneath
        taken={[...meeting.attendees, ...people.map((person) => ({ person }))].map(({ person }) => person.id)}
        add={(more) => setPeople((now) => [...now, ...more.filter(({ id }) => now.every((one) => one.id !== id))])}
      />
      {error && (
        <p role="alert" className="font-semibold text-broken">
          {error}
        </p>
      )}
      <div className="mt-3 flex justify-end gap-3">
        <Button onClick={close}>{t('action.cancel')}</Button>
        <Button
          look="main"
          disabled={people.length === 0 || invite.isPending}
          onClick={() => void finish().then((isFinished) => isFinished && invite.mutate(people))}
        >
          {t('invite.send', { count: people.length })}
        </Button>
      </div>
    </Dialog>
  );
}
