import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError, sendJson } from '../lib/api';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { SelectField, TextField } from '../ui/Field';
import { useTell } from '../ui/Notice';
import { ZonePicker } from '../ui/ZonePicker';
import { hoursAsTyped, HoursFields, readHours, unreadableDays } from './HoursFields';
import { languageChoices } from './languages';
import { personShape, type Person } from './people';

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
  const [hours, setHours] = useState(hoursAsTyped(person?.hours));
  const [hoursTouched, setHoursTouched] = useState(false);
  const [choosing, setChoosing] = useState(false);
  const unreadable = unreadableDays(hours);

  const save = useMutation({
    mutationFn: () => {
      const body = { ...given, ...(hoursTouched ? { hours: readHours(hours) } : {}) };
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
            {languageChoices(given.language).map(([tag, name]) => (
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
          <HoursFields
            hours={hours}
            change={(next) => {
              setHours(next);
              setHoursTouched(true);
            }}
          />
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
