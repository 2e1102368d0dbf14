import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError, sendJson } from '../lib/api';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { SelectField, TextField } from '../ui/Field';
import { useTell } from '../ui/Notice';
import { ZonePicker } from '../ui/ZonePicker';
import { personShape, type Hours, type Person } from './people';

const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;

/** "09:00-12:30, 14:00-18:00" to stretches; null if it cannot be read. */
/** Languages in which invitations are written, as they call themselves. */
const LANGUAGES: Record<string, string> = {
  en: 'English',
  de: 'Deutsch',
  fr: 'Français',
  es: 'Español',
  pt: 'Português',
  ja: '日本語',
  ar: 'العربية',
};

export function readStretches(text: string): [string, string][] | null {
  if (text.trim() === '') {
    return [];
  }
  const stretches = text.split(',').map((piece) => /^\s*(\d{1,2}:\d{2})\s*(?:-|–|to)\s*(\d{1,2}:\d{2})\s*$/.exec(piece));
  return stretches.every((found) => found !== null)
    ? stretches.map((found) => [(found[1] ?? '').padStart(5, '0'), (found[2] ?? '').padStart(5, '0')])
    : null;
}

const writeStretches = (stretches: [string, string][] | undefined) => (stretches ?? []).map(([from, to]) => `${from}–${to}`).join(', ');

/** A person's entry in the directory, new or to be changed. */
export function PersonDialog({ person, close }: { person: Person | null; close: () => void }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const [given, setGiven] = useState({
    kind: person?.kind ?? 'colleague',
    name: person?.name ?? '',
    email: person?.email ?? '',
    job: person?.job ?? '',
    zone: person?.zone ?? null,
    language: person ? person.language : 'en',
  });
  const [hours, setHours] = useState<Record<string, string>>(
    Object.fromEntries(
      DAYS.map((day) => [day, writeStretches(person ? person.hours[day] : ['sat', 'sun'].includes(day) ? [] : [['09:00', '17:00']])]),
    ),
  );
  const [hoursTouched, setHoursTouched] = useState(false);
  const [choosing, setChoosing] = useState(false);
  const unreadable = DAYS.filter((day) => readStretches(hours[day] ?? '') === null);

  const save = useMutation({
    mutationFn: () => {
      const read: Hours = Object.fromEntries(
        DAYS.flatMap((day) => {
          const stretches = readStretches(hours[day] ?? '');
          return stretches && stretches.length > 0 ? [[day, stretches]] : [];
        }),
      );
      const body = { ...given, ...(hoursTouched ? { hours: read } : {}) };
      return person ? sendJson('PATCH', `people/${person.id}`, body, personShape) : sendJson('POST', 'people', body, personShape);
    },
    onSuccess: async (now) => {
      await client.invalidateQueries({ queryKey: ['people'] });
      tell(t('people.kept', { name: now.name ?? now.email }));
      close();
    },
  });
  const error = save.error instanceof ApiError ? save.error : null;

  return (
    <Dialog open onOpenChange={close} title={person ? t('people.change') : t('people.add')}>
      <form
        className="flex flex-col gap-3"
        noValidate
        onSubmit={(event) => {
          event.preventDefault();
          save.mutate();
        }}
      >
        {!person && (
          <SelectField
            label={t('people.kind')}
            value={given.kind}
            onChange={(event) => setGiven({ ...given, kind: event.target.value as Person['kind'] })}
          >
            <option value="colleague">{t('people.colleague')}</option>
            <option value="guest">{t('people.guest')}</option>
          </SelectField>
        )}
        <TextField
          label={t('people.name')}
          value={given.name}
          error={error?.field('name')}
          onChange={(event) => setGiven({ ...given, name: event.target.value })}
        />
        <TextField
          label={t('people.email')}
          type="email"
          value={given.email}
          error={error?.field('email')}
          onChange={(event) => setGiven({ ...given, email: event.target.value })}
        />
        <div className="grid grid-cols-2 gap-3">
          <TextField label={t('people.job')} value={given.job} onChange={(event) => setGiven({ ...given, job: event.target.value })} />
          <SelectField
            label={t('people.language')}
            value={given.language ?? ''}
            error={error?.field('language')}
            hint={t('people.languageHint')}
            onChange={(event) => setGiven({ ...given, language: event.target.value || null })}
          >
            <option value="">{t('people.languageUnknown')}</option>
            {Object.entries({
              ...LANGUAGES,
              ...(given.language && !(given.language in LANGUAGES) ? { [given.language]: given.language } : {}),
            }).map(([tag, name]) => (
              <option key={tag} value={tag} lang={tag}>
                {name}
              </option>
            ))}
          </SelectField>
        </div>
        {choosing ? (
          <ZonePicker
            label={t('zone.label')}
            value={given.zone}
            onChoose={(zone) => {
              setGiven({ ...given, zone });
              setChoosing(false);
            }}
          />
        ) : (
          <p>
            {t('people.zone')}{' '}
            <Button look="quiet" onClick={() => setChoosing(true)}>
              {given.zone ?? t('people.noZone')}
            </Button>
          </p>
        )}
        <details>
          <summary className="cursor-pointer font-semibold">{t('people.hours')}</summary>
          <p className="text-note text-muted">{t('people.hoursHint')}</p>
          {DAYS.map((day) => (
            <div key={day} className="mt-1 grid grid-cols-[4rem_1fr] items-center gap-2">
              <label htmlFor={`hours-${day}`}>{t(`weekday.${day}`)}</label>
              <input
                id={`hours-${day}`}
                className={`rounded border bg-sheet px-2 py-1 ${unreadable.includes(day) ? 'border-broken' : 'border-muted'}`}
                aria-invalid={unreadable.includes(day) || undefined}
                value={hours[day]}
                placeholder={t('people.dayOff')}
                onChange={(event) => {
                  setHours({ ...hours, [day]: event.target.value });
                  setHoursTouched(true);
                }}
              />
            </div>
          ))}
        </details>
        {error && (
          <p role="alert" className="font-semibold text-broken">
            {error.field('hours') ?? error.field('zone') ?? error.message}
          </p>
        )}
        <div className="flex justify-end gap-3">
          <Button onClick={close}>{t('action.stay')}</Button>
          <Button look="main" type="submit" disabled={save.isPending || unreadable.length > 0}>
            {t('action.keep')}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
