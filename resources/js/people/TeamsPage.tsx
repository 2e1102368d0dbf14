import '../lib/i18nMore';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useNavigate } from 'react-router';
import { Awaited } from '../ui/Awaited';
import { Button } from '../ui/Button';
import { Page } from '../ui/Page';
import { PeopleRooms } from './PeopleRooms';
import { TeamDialog } from './TeamDialog';
import { teamsQuery, type ListedTeam } from './teams';

type Shown = { team: ListedTeam; depth: number };

/** Teams with those that lie within them below, in order of name. */
export function nested(teams: ListedTeam[], parentId: string | null = null, depth = 0): Shown[] {
  return teams
    .filter((team) => team.parentId === parentId)
    .flatMap((team) => [{ team, depth }, ...(depth < 8 ? nested(teams, team.id, depth + 1) : [])]);
}

export function TeamsPage() {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const [adding, setAdding] = useState(false);
  const query = useQuery(teamsQuery);
  return (
    <Page
      title={t('team.teams')}
      above={<PeopleRooms />}
      heading={t('team.heading', { count: query.data?.length ?? 0 })}
      aside={
        <Button look="main" onClick={() => setAdding(true)}>
          {t('team.add')}
        </Button>
      }
    >
      <main className="px-5 py-4">
        <Awaited query={query}>
          {(teams) =>
            teams.length === 0 ? (
              <p className="py-8 text-muted">{t('team.empty')}</p>
            ) : (
              <ul className="max-w-3xl">
                {nested(teams).map(({ team, depth }) => (
                  <li key={team.id} className="flex items-baseline justify-between gap-6 border-t border-line py-2">
                    <Link
                      className="min-w-0 font-semibold break-words hover:underline"
                      style={{ paddingLeft: `${depth * 1.5}rem` }}
                      to={`/people/teams/${team.id}`}
                    >
                      {team.name}
                    </Link>
                    <span className="shrink-0 text-muted">
                      {t('team.size', { count: team.all })}
                      {team.own !== team.all && `, ${t('team.ownOf', { own: team.own })}`}
                    </span>
                  </li>
                ))}
              </ul>
            )
          }
        </Awaited>
      </main>
      {adding && <TeamDialog team={null} close={() => setAdding(false)} saved={(id) => void navigate(`/people/teams/${id}`)} />}
    </Page>
  );
}
