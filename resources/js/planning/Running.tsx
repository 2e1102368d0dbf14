import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import '../lib/i18nPlanning';
import { ApiError } from '../lib/api';
import { listed } from '../lib/time';
import { called, type Person } from '../people/people';
import { Button } from '../ui/Button';
import { useTell } from '../ui/Notice';
import { AddPerson } from './AddPerson';
import { EntriesProvider } from './entries';
import { meetingQuery, type Meeting } from './meetings';
import { callIn } from './now';
import { useCopying } from './useCopying';

/** A meeting that goes on: its link, ready to open and to copy, and whoever else is called in. */
export function Running({ meeting, plans }: { meeting: Meeting; plans: boolean }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const copying = useCopying();
  const call = useMutation({
    mutationFn: (people: Person[]) =>
      callIn(
        meeting.id,
        people.map(({ id }) => id),
      ),
    onSuccess: (now, people) => {
      client.setQueryData(meetingQuery(meeting.id).queryKey, now);
      tell(t('now.called', { count: people.length, names: listed(people.map(called)) }));
    },
    onError: (error) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }),
  });
  return (
    <section aria-labelledby="running" className="no-print border-l-4 border-sun bg-sheet px-4 py-3">
      <h2 id="running" className="font-semibold">
        {t('now.running')}
      </h2>
      {meeting.kit && meeting.joinMode !== 'phone' && (
        <p className="my-2 flex flex-wrap items-center gap-3">
          <a
            href={meeting.kit.link}
            target="_blank"
            rel="noreferrer"
            className="rounded-md border border-ink bg-ink px-4 py-2 font-semibold text-on-ink"
          >
            {t('today.join')}
          </a>
          <Button onClick={() => copying.link(meeting.kit?.link ?? '')}>{t('meeting.copyLink')}</Button>
          <span className="min-w-0 break-all">{meeting.kit.link}</span>
        </p>
      )}
      {plans && meeting.changeId === null && (
        <EntriesProvider>
          <AddPerson taken={meeting.attendees.map(({ person }) => person.id)} add={(people) => call.mutate(people)} />
          <p className="text-note text-muted">{t('now.callIn')}</p>
        </EntriesProvider>
      )}
    </section>
  );
}
