import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate, useSearchParams } from 'react-router';
import '../lib/i18nPlanning';
import { ApiError, getJson } from '../lib/api';
import { listed } from '../lib/time';
import { called, personShape, type Person } from '../people/people';
import { useSession } from '../people/session';
import { teamAsAsked } from '../people/teams';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { Page } from '../ui/Page';
import { AddPerson } from './AddPerson';
import { EntriesProvider } from './entries';
import { meetingShape } from './meetings';
import { beginNow } from './now';

const NAMED = 3;

/** Whom it is with at first: somebody, a team, or the people of an earlier meeting. */
const firstPeople = async (asked: URLSearchParams, own: string | undefined): Promise<Person[]> => {
  const [person, team, from] = [asked.get('with'), asked.get('team'), asked.get('from')];
  const people = person
    ? [await getJson(`people/${person}`, personShape)]
    : team
      ? (await teamAsAsked(team)).people
      : from
        ? (await getJson(`meetings/${from}`, meetingShape)).attendees.map((attendee) => attendee.person)
        : [];
  return people.filter(({ id, left }) => id !== own && !left);
};

/** A meeting that begins this minute: whom with, under which title, and it begins. */
export function NowPage() {
  const { t } = useTranslation();
  const [asked] = useSearchParams();
  const navigate = useNavigate();
  const client = useQueryClient();
  const own = useSession()?.account?.personId;
  /** As they were changed here; null: as at first. */
  const [changed, setChanged] = useState<Person[] | null>(null);
  const [title, setTitle] = useState<string | null>(null);
  const first = useQuery({ queryKey: ['now', asked.toString()], queryFn: () => firstPeople(asked, own), staleTime: Infinity });
  const people = changed ?? first.data ?? [];
  const begin = useMutation({
    mutationFn: () =>
      beginNow(
        shown,
        people.map(({ id }) => id),
      ),
    onSuccess: async (meeting) => {
      await client.invalidateQueries();
      await navigate(`/meetings/${meeting.id}`, { replace: true });
    },
  });
  const names = people.slice(0, NAMED).map((person) => called(person).split(/[\s@]/)[0] ?? '');
  const proposed =
    people.length === 0
      ? ''
      : t('now.proposed', {
          names: listed([...names, ...(people.length > NAMED ? [t('fits.others', { count: people.length - NAMED })] : [])]),
        });
  const shown = title ?? proposed;
  const error = begin.error instanceof ApiError ? (Object.values(begin.error.errors)[0]?.[0] ?? begin.error.message) : null;
  return (
    <Page title={t('now.title')} heading={t('now.heading')}>
      <main className="flex max-w-xl flex-col gap-4 px-5 py-4">
        <ul aria-label={t('now.with')}>
          {people.map((person) => (
            <li key={person.id} className="flex items-baseline justify-between gap-4 border-t border-line py-1.5">
              <span className="min-w-0 truncate">
                <span className="font-semibold">{called(person)}</span> <span className="text-note text-muted">{person.city ?? ''}</span>
              </span>
              <Button
                look="quiet"
                aria-label={t('now.withoutLong', { name: called(person) })}
                onClick={() => setChanged(people.filter(({ id }) => id !== person.id))}
              >
                {t('now.without')}
              </Button>
            </li>
          ))}
        </ul>
        <EntriesProvider>
          <AddPerson
            taken={people.map(({ id }) => id)}
            several
            add={(more) => setChanged([...people, ...more.filter(({ id }) => id !== own && !people.some((one) => one.id === id))])}
          />
        </EntriesProvider>
        <TextField label={t('now.name')} value={shown} maxLength={200} onChange={(event) => setTitle(event.target.value)} />
        <p className="text-muted">{t('now.about')}</p>
        {error && (
          <p role="alert" className="font-semibold text-broken">
            {error}
          </p>
        )}
        <p>
          <Button look="main" disabled={begin.isPending || people.length === 0 || shown.trim() === ''} onClick={() => begin.mutate()}>
            {t(begin.isPending ? 'now.beginning' : 'now.begin')}
          </Button>
        </p>
      </main>
    </Page>
  );
}
