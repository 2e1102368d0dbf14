import '../lib/i18nMore';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate, useParams } from 'react-router';
import { ApiError } from '../lib/api';
import { Awaited } from '../ui/Awaited';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { useTell } from '../ui/Notice';
import { Page } from '../ui/Page';
import { Pager } from '../ui/Pager';
import { called, type Person } from './people';
import { PeopleRooms } from './PeopleRooms';
import { TeamDialog } from './TeamDialog';
import { changeMembers, dissolveTeam, teamQuery, teamsQuery, type Team } from './teams';

type TeamPageProps = {
  choose: (take: (person: Person) => void, taken: string[]) => ReactNode;
  /** Begins a meeting with everybody of a team. */
  plan: (teamId: string) => void;
};

export function TeamPage(props: TeamPageProps) {
  const { id = '' } = useParams();
  const [page, setPage] = useState(1);
  const query = useQuery({ ...teamQuery(id, page), placeholderData: keepPreviousData });
  return <Awaited query={query}>{(team) => <Shown key={team.id} team={team} go={setPage} {...props} />}</Awaited>;
}

function Shown({ team, go, choose, plan }: TeamPageProps & { team: Team; go: (page: number) => void }) {
  const { t } = useTranslation();
  const tell = useTell();
  const navigate = useNavigate();
  const client = useQueryClient();
  const { data: teams = [] } = useQuery(teamsQuery);
  const [open, setOpen] = useState<'change' | 'dissolve' | null>(null);
  const refresh = () => Promise.all([['teams'], ['team'], ['person']].map((queryKey) => client.invalidateQueries({ queryKey })));
  const failed = (error: unknown) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' });
  const members = useMutation({
    mutationFn: (change: { add?: string[]; remove?: string[] }) => changeMembers(team.id, change),
    onSuccess: refresh,
    onError: failed,
  });
  const dissolve = useMutation({
    mutationFn: () => dissolveTeam(team.id),
    onSuccess: async () => {
      tell(t('team.dissolved', { name: team.name }));
      await navigate('/people/teams');
      await refresh();
    },
    onError: failed,
  });
  const remove = (person: Person) =>
    members.mutate(
      { remove: [person.id] },
      {
        onSuccess: () =>
          tell(t('team.removed', { name: called(person), team: team.name }), {
            seconds: 10,
            action: { label: t('action.undo'), run: () => members.mutate({ add: [person.id] }) },
          }),
      },
    );
  const within = teams.filter(({ parentId }) => parentId === team.id);
  const above = teams.find(({ id }) => id === team.parentId);
  return (
    <Page
      title={team.name}
      above={<PeopleRooms />}
      heading={t('team.inIt', { name: team.name, count: team.size })}
      aside={
        <span className="flex gap-2.5">
          <Link to={`/now?team=${team.id}`} className="rounded-md border border-ink bg-sheet px-4 py-2 font-semibold">
            {t('now.open')}
          </Link>
          <Button look="main" disabled={team.size === 0} onClick={() => plan(team.id)}>
            {t('team.plan')}
          </Button>
        </span>
      }
    >
      <main className="grid max-w-5xl grid-cols-1 gap-x-10 gap-y-6 px-5 py-4 md:grid-cols-[1fr_18rem]">
        <section aria-labelledby="members">
          <h2 id="members" className="text-note font-semibold text-muted">
            {t('team.members')}
          </h2>
          {team.total === 0 && <p className="border-t border-line py-1.5 text-muted">{t('team.noMembers')}</p>}
          <ul>
            {team.members.map((person) => (
              <li key={person.id} className="flex items-baseline justify-between gap-4 border-t border-line py-1.5">
                <span className="min-w-0">
                  <Link className="inline-block min-h-6 font-semibold hover:underline" to={`/people/${person.id}`}>
                    {called(person)}
                  </Link>{' '}
                  <span className="text-note text-muted">{[person.job, person.city].filter(Boolean).join(', ')}</span>
                </span>
                <Button look="quiet" aria-label={t('team.removeLong', { name: called(person) })} onClick={() => remove(person)}>
                  {t('team.remove')}
                </Button>
              </li>
            ))}
          </ul>
          <Pager page={team.page} pages={team.pages} total={team.total} go={go} />
          <h3 className="mt-3 mb-1 text-note font-semibold text-muted">{t('team.addMember')}</h3>
          {choose(
            (person) => members.mutate({ add: [person.id] }),
            team.members.map(({ id }) => id),
          )}
        </section>
        <div className="flex flex-col gap-4">
          <section>
            <h2 className="text-note font-semibold text-muted">{t('team.within')}</h2>
            <p>
              {above ? (
                <Link className="hover:underline" to={`/people/teams/${above.id}`}>
                  {above.name}
                </Link>
              ) : (
                t('team.nothing')
              )}
            </p>
          </section>
          {within.length > 0 && (
            <section>
              <h2 className="text-note font-semibold text-muted">{t('team.teamsWithin')}</h2>
              <ul>
                {within.map((one) => (
                  <li key={one.id}>
                    <Link className="hover:underline" to={`/people/teams/${one.id}`}>
                      {one.name}
                    </Link>{' '}
                    <span className="text-note text-muted">{t('team.size', { count: one.all })}</span>
                  </li>
                ))}
              </ul>
            </section>
          )}
          <p className="flex gap-4">
            <Button look="quiet" onClick={() => setOpen('change')}>
              {t('team.change')}
            </Button>
            <Button look="quiet" onClick={() => setOpen('dissolve')}>
              {t('team.dissolve')}
            </Button>
          </p>
        </div>
      </main>
      {open === 'change' && <TeamDialog team={team} close={() => setOpen(null)} />}
      <Dialog
        open={open === 'dissolve'}
        onOpenChange={() => setOpen(null)}
        title={t('team.dissolveAsk', { name: team.name })}
        description={t('team.dissolveText')}
      >
        <div className="flex justify-end gap-3">
          <Button onClick={() => setOpen(null)}>{t('action.stay')}</Button>
          <Button look="main" disabled={dissolve.isPending} onClick={() => dissolve.mutate()}>
            {t('team.dissolve')}
          </Button>
        </div>
      </Dialog>
    </Page>
  );
}
