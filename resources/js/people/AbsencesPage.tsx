import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { useParams } from 'react-router';
import { ApiError } from '../lib/api';
import { shortDate } from '../lib/time';
import { Awaited } from '../ui/Awaited';
import { Button } from '../ui/Button';
import { DayRange } from '../ui/DayRange';
import { ErrorNote } from '../ui/ErrorNote';
import { TextField } from '../ui/Field';
import { useTell } from '../ui/Notice';
import { Page } from '../ui/Page';
import { absencesQuery, addAbsence, removeAbsence, type Absence, type NewAbsence } from './absences';
import { called, type Person } from './people';
import { useSession } from './session';

type AbsencesPageProps = {
  /** A field in which somebody is found; what is found is handed over. */
  choose: (take: (person: Person) => void, taken: string[]) => ReactNode;
};

/** When somebody is away and who covers: one's own page, and for whoever plans everybody's. */
export function AbsencesPage({ choose }: AbsencesPageProps) {
  const { id } = useParams();
  const own = useSession()?.account?.personId ?? '';
  const personId = id ?? own;
  return (
    <Awaited query={useQuery({ ...absencesQuery(personId), enabled: personId !== '' })}>
      {(data) => <Shown key={personId} personId={personId} name={data.name} isOwn={data.own} absences={data.absences} choose={choose} />}
    </Awaited>
  );
}

/** "10 Dec 2026" or "from ... to ..." */
export const daysText = (
  t: (key: 'away.oneDay' | 'away.days', with_: Record<string, string>) => string,
  { fromOn, untilOn }: Pick<Absence, 'fromOn' | 'untilOn'>,
): string =>
  fromOn === untilOn
    ? t('away.oneDay', { day: shortDate(`${fromOn}T00:00:00`) })
    : t('away.days', { from: shortDate(`${fromOn}T00:00:00`), until: shortDate(`${untilOn}T00:00:00`) });

type ShownProps = AbsencesPageProps & { personId: string; name: string; isOwn: boolean; absences: Absence[] };

function Shown({ personId, name, isOwn, absences, choose }: ShownProps) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const empty: NewAbsence = { fromOn: '', untilOn: '', standInId: null, note: '', showsNote: false };
  const [given, setGiven] = useState(empty);
  const [standIn, setStandIn] = useState<Person | null>(null);
  const again = () => client.invalidateQueries({ queryKey: absencesQuery(personId).queryKey });
  const failed = (error: unknown) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' });
  const add = useMutation({
    mutationFn: (absence: NewAbsence) => addAbsence(personId, absence),
    onSuccess: async () => {
      setGiven(empty);
      setStandIn(null);
      await again();
    },
  });
  const remove = useMutation({
    mutationFn: removeAbsence,
    onSuccess: async (_, { fromOn, untilOn, standIn: who, note, showsNote }) => {
      await again();
      tell(t('away.removed'), {
        seconds: 10,
        action: {
          label: t('action.undo'),
          run: () => add.mutate({ fromOn, untilOn, standInId: who?.id ?? null, note: note ?? '', showsNote }),
        },
      });
    },
    onError: failed,
  });
  const error = add.error instanceof ApiError ? add.error : null;
  return (
    <Page
      title={t('away.title')}
      heading={isOwn ? t('away.ownHeading', { count: absences.length }) : t('away.heading', { name, count: absences.length })}
    >
      <main className="grid max-w-5xl grid-cols-1 gap-x-10 gap-y-6 px-5 py-4 md:grid-cols-2">
        <section aria-labelledby="away">
          <h2 id="away" className="text-note font-semibold text-muted">
            {t('away.ahead')}
          </h2>
          {absences.length === 0 && <p className="border-t border-line py-1.5 text-muted">{t('away.none')}</p>}
          <ul>
            {absences.map((absence) => (
              <li key={absence.id} className="flex items-baseline justify-between gap-4 border-t border-line py-1.5">
                <span className="min-w-0">
                  <span className="font-semibold">{daysText(t, absence)}</span>{' '}
                  <span className="text-note text-muted">
                    {[
                      absence.standIn ? t('away.standsIn', { name: called(absence.standIn) }) : '',
                      absence.note ? t(absence.showsNote ? 'away.noteShown' : 'away.noteHidden', { note: absence.note }) : '',
                    ]
                      .filter(Boolean)
                      .join(', ')}
                  </span>
                </span>
                <Button
                  look="quiet"
                  aria-label={t('away.removeLong', { days: daysText(t, absence) })}
                  disabled={remove.isPending}
                  onClick={() => remove.mutate(absence)}
                >
                  {t('away.remove')}
                </Button>
              </li>
            ))}
          </ul>
        </section>
        <section aria-labelledby="add-away">
          <h2 id="add-away" className="mb-1 text-note font-semibold text-muted">
            {t('away.add')}
          </h2>
          <form
            className="flex flex-col gap-3"
            noValidate
            onSubmit={(event) => {
              event.preventDefault();
              add.mutate({ ...given, untilOn: given.untilOn || given.fromOn, standInId: standIn?.id ?? null });
            }}
          >
            {add.error && !error && <ErrorNote error={add.error} />}
            <DayRange days={given} error={error} onChange={(range) => setGiven({ ...given, ...range })} />
            {standIn ? (
              <p>
                {t('away.standsIn', { name: called(standIn) })}{' '}
                <Button look="quiet" onClick={() => setStandIn(null)}>
                  {t('away.nobody')}
                </Button>
              </p>
            ) : (
              <div>
                <p className="mb-1 text-note font-semibold text-muted">{t('away.standIn')}</p>
                {choose(setStandIn, [personId])}
              </div>
            )}
            {error?.field('standInId') && (
              <p role="alert" className="font-semibold text-broken">
                {error.field('standInId')}
              </p>
            )}
            <TextField
              label={t('away.note')}
              value={given.note}
              maxLength={200}
              onChange={(event) => setGiven({ ...given, note: event.target.value })}
            />
            <label className="flex items-baseline gap-2">
              <input
                type="checkbox"
                checked={given.showsNote}
                onChange={(event) => setGiven({ ...given, showsNote: event.target.checked })}
              />
              {t('away.showsNote')}
            </label>
            <p>
              <Button look="main" type="submit" disabled={given.fromOn === '' || add.isPending}>
                {t('away.add')}
              </Button>
            </p>
          </form>
        </section>
      </main>
    </Page>
  );
}
