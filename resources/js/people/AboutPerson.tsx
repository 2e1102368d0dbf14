import '../lib/i18nMore';
import { useQuery, useMutation, useQueryClient } from '@tanstack/react-query';
import { useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { ApiError } from '../lib/api';
import { dayMonth, shortDate } from '../lib/time';
import { zonesQuery } from '../lib/zones';
import { Button } from '../ui/Button';
import { DayRange } from '../ui/DayRange';
import { Popover } from '../ui/Popover';
import { useTell } from '../ui/Notice';
import { ZonePicker } from '../ui/ZonePicker';
import { daysText } from './AbsencesPage';
import { absencesQuery } from './absences';
import { HoursWord } from './HoursWord';
import { CalendarPart } from './CalendarPart';
import { Part } from './Part';
import { addJourney, removeJourney, type Journey, type PersonPage } from './person';
import { called, type Person } from './people';
import { usePersonChange } from './usePersonChange';

type AboutProps = {
  person: PersonPage;
  choose: (take: (person: Person) => void, taken: string[]) => ReactNode;
  /** Changes the entry itself: name, address, job; null for whoever may not. */
  edit: (() => void) | null;
};

/** What is known of somebody, part by part, each with the way to change it. */
export function AboutPerson({ person, choose, edit }: AboutProps) {
  const { t } = useTranslation();
  return (
    <>
      <Part title={t('people.email')}>
        <p className="break-words">
          {person.email}{' '}
          {edit && (
            <Button look="quiet" onClick={edit} aria-label={t('person.editLong', { name: called(person) })}>
              {t('person.edit')}
            </Button>
          )}
        </p>
      </Part>
      <HoursPart person={person} />
      <QuietPart person={person} />
      {person.kind === 'colleague' && <JourneysPart person={person} />}
      {person.kind === 'colleague' && <AwayPart person={person} />}
      {person.kind === 'colleague' && <StandInPart person={person} choose={choose} />}
      <CalendarPart person={person} />
      {person.teams.length > 0 && (
        <Part title={t('person.teams')}>
          <p>
            {person.teams.map((team, at) => (
              <span key={team.id}>
                {at > 0 && ', '}
                <Link className="changeable" to={`/people/teams/${team.id}`}>
                  {team.name}
                </Link>
              </span>
            ))}
          </p>
        </Part>
      )}
    </>
  );
}

function HoursPart({ person }: { person: PersonPage }) {
  const { t } = useTranslation();
  const save = usePersonChange(person);
  return (
    <Part title={t('people.hours')}>
      <HoursWord
        label={t('people.hours')}
        hours={person.hours}
        none={t('person.noHours')}
        spoken={(hours) => t('person.hoursLong', { hours })}
        error={save.error instanceof ApiError ? save.error.field('hours') : undefined}
        pending={save.isPending}
        take={(hours, done) => save.mutate({ change: { hours }, done })}
      />
      {person.hoursAssumed && <p className="text-note text-muted">{t('sheet.hoursAssumedHere')}</p>}
      {person.country && person.holidaysKnown && (
        <p>
          {person.keepsHolidays
            ? t('person.holidays', { place: person.regionName ?? person.countryName ?? '' })
            : t('person.worksHolidays')}{' '}
          {person.holidaysOpen && (
            <Button look="quiet" onClick={() => save.mutate({ change: { keepsHolidays: !person.keepsHolidays } })}>
              {t(person.keepsHolidays ? 'person.workHolidays' : 'person.keepHolidays')}
            </Button>
          )}
        </p>
      )}
    </Part>
  );
}

const journeyDays = ({ fromOn, untilOn }: Journey) =>
  fromOn === untilOn
    ? shortDate(`${fromOn}T00:00:00`)
    : `${dayMonth(`${fromOn}T00:00:00`)} – ${dayMonth(`${untilOn}T00:00:00`)} ${untilOn.slice(0, 4)}`;

/** When somebody wants no meetings though they work: better times keep clear of it where they can. */
function QuietPart({ person }: { person: PersonPage }) {
  const { t } = useTranslation();
  const save = usePersonChange(person);
  const house = person.houseQuiet?.replace('-', '–');
  return (
    <Part title={t('person.quiet')}>
      <HoursWord
        label={t('person.quiet')}
        hours={person.quietHours}
        none={house ? t('person.quietHouse', { hours: house }) : t('person.quietNone')}
        spoken={(hours) => t('person.quietLong', { hours })}
        hint={t('person.quietHint')}
        empty={t('person.quietEmpty')}
        error={save.error instanceof ApiError ? save.error.field('quietHours') : undefined}
        pending={save.isPending}
        take={(quietHours, done) => save.mutate({ change: { quietHours }, done })}
      />
    </Part>
  );
}

function JourneysPart({ person }: { person: PersonPage }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const [open, setOpen] = useState(false);
  const refresh = () => Promise.all([['person'], ['person-week'], ['session']].map((queryKey) => client.invalidateQueries({ queryKey })));
  const add = useMutation({
    mutationFn: (journey: Pick<Journey, 'zone' | 'fromOn' | 'untilOn'>) => addJourney(person.id, journey),
    onSuccess: async () => {
      await refresh();
      setOpen(false);
    },
  });
  const remove = useMutation({
    mutationFn: (journey: Journey) => removeJourney(person.id, journey),
    onSuccess: async (_, { zone, fromOn, untilOn }) => {
      await refresh();
      tell(t('away.removed'), { seconds: 10, action: { label: t('action.undo'), run: () => add.mutate({ zone, fromOn, untilOn }) } });
    },
    onError: (error) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }),
  });
  return (
    <Part title={t('person.elsewhere')}>
      <ul>
        {person.journeys.map((journey) => (
          <li key={journey.id} className="flex items-baseline justify-between gap-3">
            <span>{t('person.journey', { city: journey.city, days: journeyDays(journey) })}</span>
            <Button
              look="quiet"
              disabled={remove.isPending}
              aria-label={t('person.removeJourney', { city: journey.city, days: journeyDays(journey) })}
              onClick={() => remove.mutate(journey)}
            >
              {t('away.remove')}
            </Button>
          </li>
        ))}
      </ul>
      <Popover
        open={open}
        onOpenChange={(next) => {
          add.reset();
          setOpen(next);
        }}
        label={t('person.addJourney')}
        trigger={
          <button type="button" className="changeable">
            {t('person.addJourney')}
          </button>
        }
      >
        <JourneyForm add={(journey) => add.mutate(journey)} pending={add.isPending} error={add.error} />
      </Popover>
    </Part>
  );
}

type JourneyFormProps = { add: (journey: Pick<Journey, 'zone' | 'fromOn' | 'untilOn'>) => void; pending: boolean; error: Error | null };

function JourneyForm({ add, pending, error }: JourneyFormProps) {
  const { t } = useTranslation();
  const { data: zones = [] } = useQuery(zonesQuery);
  const [zone, setZone] = useState<string | null>(null);
  const [days, setDays] = useState({ fromOn: '', untilOn: '' });
  const said = error instanceof ApiError ? error : null;
  return (
    <form
      noValidate
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (zone) {
          add({ zone, fromOn: days.fromOn, untilOn: days.untilOn || days.fromOn });
        }
      }}
    >
      {zone ? (
        <p>
          {t('person.journeyTo')}{' '}
          <Button look="quiet" onClick={() => setZone(null)}>
            {zones.find((one) => one.id === zone)?.city ?? zone}
          </Button>
        </p>
      ) : (
        <ZonePicker label={t('person.where')} value={null} onChoose={setZone} />
      )}
      <DayRange days={days} error={said} onChange={(range) => setDays({ ...days, ...range })} />
      <div className="flex justify-end">
        <Button look="main" type="submit" disabled={pending || !zone || days.fromOn === ''}>
          {t('person.addJourney')}
        </Button>
      </div>
    </form>
  );
}

function AwayPart({ person }: { person: PersonPage }) {
  const { t } = useTranslation();
  const { data } = useQuery(absencesQuery(person.id));
  return (
    <Part title={t('away.title')}>
      <ul>
        {data?.absences.slice(0, 6).map((absence) => (
          <li key={absence.id}>
            <span className="font-semibold">{daysText(t, absence)}</span>{' '}
            <span className="text-note text-muted">
              {[
                absence.standIn ? t('away.standsIn', { name: called(absence.standIn) }) : '',
                absence.note ? t(absence.showsNote ? 'away.noteShown' : 'away.noteHidden', { note: absence.note }) : '',
              ]
                .filter(Boolean)
                .join(', ')}
            </span>
          </li>
        ))}
      </ul>
      <Link className="changeable" to={person.own ? '/away' : `/people/${person.id}/away`}>
        {t((data?.absences.length ?? 0) > 0 ? 'person.changeAbsences' : 'away.add')}
      </Link>
    </Part>
  );
}

function StandInPart({ person, choose }: Pick<AboutProps, 'person' | 'choose'>) {
  const { t } = useTranslation();
  const save = usePersonChange(person);
  const [open, setOpen] = useState(false);
  return (
    <Part title={t('person.standIn')}>
      <Popover
        open={open}
        onOpenChange={setOpen}
        label={t('person.standIn')}
        trigger={
          <button type="button" className="changeable">
            {person.standIn ? called(person.standIn) : t('person.noStandIn')}
          </button>
        }
      >
        {choose((one) => save.mutate({ change: { standInId: one.id }, done: () => setOpen(false) }), [person.id])}
        {person.standIn && (
          <Button look="quiet" onClick={() => save.mutate({ change: { standInId: null }, done: () => setOpen(false) })}>
            {t('away.nobody')}
          </Button>
        )}
      </Popover>
      {person.standsInFor.length > 0 && (
        <p className="text-note text-muted">{t('person.standsInFor', { names: person.standsInFor.map(({ name }) => name).join(', ') })}</p>
      )}
    </Part>
  );
}
