import { useMutation } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { useState, type ReactNode } from 'react';
import { clock, dayMonth, weekday } from '../lib/time';
import { called, type Person } from '../people/people';
import { usePlans } from '../people/session';
import type { Standing } from '../overlap/board';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { Popover } from '../ui/Popover';
import { ZonePicker } from '../ui/ZonePicker';
import { sendJson } from '../lib/api';
import { personShape } from '../people/people';
import type { Absence } from '../people/absences';
import { AddPerson } from './AddPerson';
import { AwayNote } from './AwayNote';
import type { Planned } from './board';
import { KeepAsTeam, TeamsOnSheet } from './TeamsOnSheet';
import type { SectionProps } from './WhatSection';
import type { Attendee } from './sheet';

const SHOWN = 8;

/** Who comes, each with their own clock at the date shown. */
export function WhoSection({
  sheet,
  change,
  standings,
  showWeekday,
  away,
  teams,
  calendars,
}: SectionProps & {
  standings: Standing[];
  showWeekday: boolean;
  away: Absence[];
  teams: Planned['teams'];
  calendars: Planned['calendars'] | null;
}) {
  const { t } = useTranslation();
  const plans = usePlans();
  const [all, setAll] = useState(false);
  const byId = new Map(standings.map((standing) => [standing.id, standing]));
  const count = (role: Attendee['role']) => sheet.attendees.filter((attendee) => attendee.role === role).length;
  const outside = sheet.attendees.filter((attendee) => attendee.person.kind === 'guest').length;
  const shown = all ? sheet.attendees : sheet.attendees.slice(0, SHOWN);

  const add = (people: Person[], teamId?: string) =>
    change((now) => {
      const known = new Set(now.attendees.map((attendee) => attendee.person.id));
      const fresh = people.filter((person, index) => !known.has(person.id) && people.findIndex((one) => one.id === person.id) === index);
      return fresh.length === 0
        ? {}
        : {
            attendees: [...now.attendees, ...fresh.map((person) => ({ person, role: 'required' as const, teamId: teamId ?? null }))],
            hostId: now.hostId ?? fresh[0]?.id ?? null,
          };
    });
  const removeAll = (ids: string[]) =>
    change((now) => ({
      attendees: now.attendees.filter(({ person }) => !ids.includes(person.id)),
      hostId: now.hostId !== null && ids.includes(now.hostId) ? null : now.hostId,
    }));
  const set = (id: string, next: Partial<Attendee>) =>
    change((now) => ({ attendees: now.attendees.map((attendee) => (attendee.person.id === id ? { ...attendee, ...next } : attendee)) }));

  return (
    <section aria-labelledby="who">
      <h2 id="who" className="text-note text-muted">
        <span className="font-semibold">{t('sheet.who')}</span>{' '}
        {t('sheet.whoCount', { required: count('required'), optional: count('optional'), outside })}
      </h2>
      {calendars && calendars.count > 0 && <CalendarAge calendars={calendars} attendees={sheet.attendees} />}
      <TeamsOnSheet teams={teams} attendees={sheet.attendees} add={add} remove={removeAll} />
      <ul>
        {shown.map((attendee) => (
          <AttendeeRow
            key={attendee.person.id}
            attendee={attendee}
            host={sheet.hostId === attendee.person.id}
            standing={byId.get(attendee.person.id)}
            showWeekday={showWeekday}
            makeHost={plans ? () => change({ hostId: attendee.person.id }) : null}
            setRole={(role) => set(attendee.person.id, { role })}
            away={away
              .filter(({ personId }) => personId === attendee.person.id)
              .map((absence) => (
                <AwayNote
                  key={absence.id}
                  absence={absence}
                  taken={sheet.attendees.map(({ person }) => person.id)}
                  too={(person) => add([person])}
                  instead={(person) =>
                    change((now) => ({
                      attendees: now.attendees.map((one) => (one.person.id === attendee.person.id ? { ...one, person } : one)),
                      hostId: now.hostId === attendee.person.id ? person.id : now.hostId,
                    }))
                  }
                />
              ))}
            setPerson={plans ? (person) => set(attendee.person.id, { person }) : null}
            remove={() =>
              change((now) => ({
                attendees: now.attendees.filter((one) => one.person.id !== attendee.person.id),
                hostId: now.hostId === attendee.person.id ? null : now.hostId,
              }))
            }
          />
        ))}
      </ul>
      {sheet.attendees.length > SHOWN && (
        <Button look="quiet" onClick={() => setAll(!all)}>
          {all ? t('sheet.fewer') : t('sheet.more', { count: sheet.attendees.length - SHOWN })}
        </Button>
      )}
      {plans && sheet.attendees.length > 1 && (
        <select
          aria-label={t('sheet.hides')}
          className="w-full rounded border border-transparent bg-transparent py-1 text-note text-muted hover:border-line"
          value={String(sheet.hidesPeople)}
          onChange={(event) => change({ hidesPeople: event.target.value === 'null' ? null : event.target.value === 'true' })}
        >
          {(['null', 'true', 'false'] as const).map((choice) => (
            <option key={choice} value={choice}>
              {t(`sheet.hide.${choice}`)}
            </option>
          ))}
        </select>
      )}
      {plans && sheet.attendees.length > 2 && <KeepAsTeam attendees={sheet.attendees} />}
      <AddPerson taken={sheet.attendees.map((attendee) => attendee.person.id)} add={add} several />
    </section>
  );
}

/** How old it is what is known of what people have. */
function CalendarAge({ calendars, attendees }: { calendars: Planned['calendars']; attendees: Attendee[] }) {
  const { t } = useTranslation();
  const stale = attendees.filter(({ person }) => calendars.stale.includes(person.id)).map(({ person }) => called(person));
  return (
    <p className="pb-1 text-note text-muted">
      {calendars.oldestLocal &&
        t('calendar.asOf', { at: `${dayMonth(calendars.oldestLocal)}, ${clock(calendars.oldestLocal)}`, count: calendars.count })}{' '}
      {stale.length > 0 && (
        <span className="text-odd">{t('calendar.stale', { names: stale.slice(0, 3).join(', ') + (stale.length > 3 ? ' …' : '') })}</span>
      )}
    </p>
  );
}

type RowProps = {
  attendee: Attendee;
  host: boolean;
  standing: Standing | undefined;
  showWeekday: boolean;
  /** Null: it is not theirs to say. */
  makeHost: (() => void) | null;
  setRole: (role: Attendee['role']) => void;
  setPerson: ((person: Person) => void) | null;
  away: ReactNode;
  remove: () => void;
};

/** The name of a guest of whom only the address is known; once written it is remembered. */
function GuestName({ person, named }: { person: Person; named: (person: Person) => void }) {
  const { t } = useTranslation();
  const [name, setName] = useState('');
  const save = useMutation({
    mutationFn: () => sendJson('PATCH', `people/${person.id}`, { name: name.trim() }, personShape),
    onSuccess: named,
  });
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <TextField
        label={t('sheet.guestName')}
        maxLength={200}
        value={name}
        error={save.error ? t('failure.unexpected') : undefined}
        onChange={(event) => setName(event.target.value)}
      />
      <Button type="submit" disabled={name.trim() === '' || save.isPending}>
        {t('action.keep')}
      </Button>
    </form>
  );
}

function AttendeeRow({ attendee, host, standing, showWeekday, makeHost, setRole, setPerson, away, remove }: RowProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const [choosing, setChoosing] = useState(false);
  const { person, role } = attendee;
  const busy = (standing?.clashes.length ?? 0) > 0;
  const night = standing?.light === 'night';
  const off = standing && !['in_hours', 'unknown', 'night'].includes(standing.light);
  const local = standing?.local ? `${clock(standing.local)}${showWeekday ? ` ${weekday(standing.local)}` : ''}` : t('sheet.noClock');
  const place = [
    host ? t('sheet.host') : '',
    role === 'optional' ? t('sheet.optional') : '',
    person.kind === 'guest' ? t('sheet.outside') : '',
    standing?.elsewhere ? t('sheet.travelling', { city: standing.elsewhere }) : (person.city ?? ''),
  ]
    .filter(Boolean)
    .join(', ');
  return (
    <li className="border-t border-line">
      <Popover
        open={open}
        onOpenChange={(next) => {
          setOpen(next);
          setChoosing(false);
        }}
        label={called(person)}
        trigger={
          <button
            type="button"
            className="flex w-full items-center justify-between gap-2 py-1 text-left hover:bg-paper"
            data-testid="attendee"
          >
            <span className="min-w-0 truncate">
              <span className="font-semibold">{called(person)}</span> <span className="text-note text-muted">{place}</span>
            </span>
            <span
              className={`shrink-0 rounded px-1.5 ${night ? 'bg-night-badge text-note font-semibold text-white' : busy ? `text-note font-semibold ${standing?.clash === 'tentative' ? 'text-odd' : 'text-broken'}` : off ? 'text-note font-semibold text-odd' : standing?.local ? 'font-semibold' : 'text-note text-muted'}`}
            >
              {busy
                ? `${local}, ${t(`light.${standing?.clash ?? 'busy'}`)}`
                : night || off
                  ? `${local}, ${standing.holiday ? t('light.holiday') : t(`light.${standing.light}`)}`
                  : local}
            </span>
          </button>
        }
      >
        <p className="font-semibold">
          {called(person)} <span className="block text-note font-normal text-muted">{person.email}</span>
        </p>
        {person.kind === 'guest' && !person.name && setPerson && <GuestName person={person} named={setPerson} />}
        {standing?.holiday && <p className="text-odd">{t('sheet.holiday', { name: standing.holiday })}</p>}
        {busy && <p className="text-broken">{t('sheet.busyWith', { what: standing?.clashes.join(', ') })}</p>}
        <p className="text-note text-muted">
          {standing && !standing.calendarKnown ? t('sheet.noCalendar') : ''}{' '}
          {person.hoursAssumed ? t('sheet.hoursAssumed', { hours: hoursText(person) }) : t('sheet.hours', { hours: hoursText(person) })}
        </p>
        {choosing ? (
          <ZonePicker
            label={t('sheet.personZone')}
            value={person.zone}
            onChoose={(zone) => {
              void sendJson('PATCH', `people/${person.id}`, { zone }, personShape).then((now) => setPerson?.(now));
              setChoosing(false);
              setOpen(false);
            }}
          />
        ) : (
          <div className="flex flex-wrap gap-x-4 gap-y-2">
            <Button look="quiet" onClick={() => setRole(role === 'required' ? 'optional' : 'required')}>
              {role === 'required' ? t('sheet.makeOptional') : t('sheet.makeRequired')}
            </Button>
            {!host && makeHost && (
              <Button look="quiet" onClick={makeHost}>
                {t('sheet.makeHost')}
              </Button>
            )}
            {setPerson && (
              <Button look="quiet" onClick={() => setChoosing(true)}>
                {person.zone ? t('sheet.changeZone') : t('sheet.giveZone')}
              </Button>
            )}
            <Button look="quiet" onClick={remove}>
              {t('sheet.remove')}
            </Button>
            <Link className="changeable font-medium" to={`/people/${person.id}`}>
              {t('sheet.toPerson')}
            </Link>
          </div>
        )}
      </Popover>
      {away}
    </li>
  );
}

const hoursText = (person: Person) =>
  Object.entries(person.hours)
    .map(([day, stretches]) => `${day} ${stretches.map(([from, to]) => `${from}–${to}`).join(' ')}`)
    .join(', ');
