import '../lib/i18nMore';
import { useQuery } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Link, useParams } from 'react-router';
import { Awaited } from '../ui/Awaited';
import { Button } from '../ui/Button';
import { Page } from '../ui/Page';
import { AboutPerson } from './AboutPerson';
import { personQuery, weekQuery, type PersonPage as Person } from './person';
import { Leaving } from './Leaving';
import { PersonHeading } from './PersonHeading';
import { PersonDialog } from './PersonDialog';
import { MeetingsAhead, WeekOfLight } from './WeekOfLight';
import { called, type Person as Listed } from './people';
import { usePlans, useSession } from './session';

type PersonPageProps = {
  /** A field in which somebody is found; what is found is handed over. */
  choose: (take: (person: Listed) => void, taken: string[]) => ReactNode;
  /** Begins a meeting with somebody. */
  plan: (person: Listed) => void;
  /** What else is known of somebody, from other rooms. */
  more?: (person: Person) => ReactNode;
};

/** A person: who and where they are, when they work, and a week of what they have. One's own page too. */
export function PersonPage(props: PersonPageProps) {
  const { id } = useParams();
  const own = useSession()?.account?.personId ?? '';
  const personId = id ?? own;
  return (
    <Awaited query={useQuery({ ...personQuery(personId), enabled: personId !== '' })}>
      {(person) => <Shown key={person.id} person={person} {...props} />}
    </Awaited>
  );
}

function Shown({ person, choose, plan, more }: PersonPageProps & { person: Person }) {
  const { t } = useTranslation();
  const plans = usePlans();
  const [from, setFrom] = useState<string | null>(null);
  const [editing, setEditing] = useState(false);
  const week = useQuery(weekQuery(person.id, from));
  const name = called(person);
  return (
    <Page
      title={name}
      above={
        <>
          {plans && (
            <>
              <Link className="hover:underline" to="/people">
                {t('room.people')}
              </Link>
              .{' '}
            </>
          )}
          {[person.job, person.kind === 'guest' ? t('sheet.outside') : '', person.left ? t('person.left') : ''].filter(Boolean).join(', ')}
        </>
      }
      heading={<PersonHeading person={person} />}
    >
      <main className="grid flex-1 grid-cols-1 md:grid-cols-[22rem_1fr]">
        <div className="border-line bg-sheet px-5 py-4 md:border-r">
          <AboutPerson person={person} choose={choose} edit={plans ? () => setEditing(true) : null} />
          {more?.(person)}
        </div>
        <div className="min-w-0 px-5 py-4">
          <Awaited query={week}>
            {(data) => (
              <>
                <WeekOfLight week={data} name={name} go={setFrom} />
                <MeetingsAhead week={data} name={name} />
              </>
            )}
          </Awaited>
        </div>
      </main>
      <footer className="sticky bottom-0 flex flex-wrap items-center justify-between gap-3 border-t border-line bg-sheet px-5 py-2.5">
        <p>
          {week.data && person.zone && (
            <>
              <strong>{t('person.outside', { count: week.data.dates, outside: week.data.outside })}</strong>{' '}
              {week.data.nights > 0 && t('person.nights', { count: week.data.nights })}
            </>
          )}
        </p>
        {plans && (
          <p className="flex flex-wrap gap-3">
            <Leaving person={person} choose={choose} />
            {!person.left && !person.own && (
              <Link to={`/now?with=${person.id}`} className="rounded-md border border-ink bg-sheet px-4 py-2 font-semibold">
                {t('now.open')}
              </Link>
            )}
            {!person.left && (
              <Button look="main" onClick={() => plan(person)}>
                {t(person.own ? 'person.planOwn' : 'person.plan', { name: name.split(' ')[0] ?? name })}
              </Button>
            )}
          </p>
        )}
      </footer>
      {editing && <PersonDialog person={person} close={() => setEditing(false)} />}
    </Page>
  );
}
