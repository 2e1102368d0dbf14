import '../lib/i18nMore';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError } from '../lib/api';
import { Button } from '../ui/Button';
import { SelectField, TextField } from '../ui/Field';
import { Word } from '../ui/Word';
import { ZonePicker } from '../ui/ZonePicker';
import { LANGUAGES, languageChoices } from './languages';
import { placesQuery, type PersonPage } from './person';
import { called } from './people';
import { usePersonChange } from './usePersonChange';

/** A person in one sentence, whose underlined words open small editors. */
export function PersonHeading({ person }: { person: PersonPage }) {
  const { t } = useTranslation();
  const save = usePersonChange(person);
  return (
    <>
      {called(person)},{' '}
      <Word label={t('person.zone')} text={person.city ?? t('person.noZone')}>
        {(close) => (
          <ZonePicker label={t('zone.label')} value={person.zone} onChoose={(zone) => save.mutate({ change: { zone }, done: close })} />
        )}
      </Word>
      {', '}
      {t('person.writes')}{' '}
      <Word label={t('people.language')} text={person.language ? (LANGUAGES[person.language] ?? person.language) : t('person.noLanguage')}>
        {(close) => (
          <SelectField
            label={t('people.language')}
            hint={t('people.languageHint')}
            value={person.language ?? ''}
            onChange={(event) => save.mutate({ change: { language: event.target.value || null }, done: close })}
          >
            <option value="">{t('people.languageUnknown')}</option>
            {languageChoices(person.language).map(([tag, name]) => (
              <option key={tag} value={tag} lang={tag}>
                {name}
              </option>
            ))}
          </SelectField>
        )}
      </Word>
      {', '}
      {t('person.athome')}{' '}
      <Word
        label={t('person.country')}
        text={person.countryName ? [person.regionName, person.countryName].filter(Boolean).join(', ') : t('person.noCountry')}
      >
        {(close) => <CountryChoice person={person} close={close} />}
      </Word>
      {', '}
      {t('person.phone')}{' '}
      <Word label={t('person.phoneLabel')} text={person.phone ?? t('person.noPhone')}>
        {(close) => <PhoneField person={person} close={close} />}
      </Word>
      .
    </>
  );
}

function CountryChoice({ person, close }: { person: PersonPage; close: () => void }) {
  const { t } = useTranslation();
  const save = usePersonChange(person);
  const [country, setCountry] = useState(person.country);
  const [region, setRegion] = useState(person.region);
  const { data } = useQuery(placesQuery(country));
  return (
    <>
      <SelectField
        label={t('person.country')}
        value={country ?? ''}
        onChange={(event) => {
          setCountry(event.target.value || null);
          setRegion(null);
        }}
      >
        <option value="">{t('person.noCountry')}</option>
        {data?.countries.map(({ code, name }) => (
          <option key={code} value={code}>
            {name}
          </option>
        ))}
      </SelectField>
      {(data?.regions.length ?? 0) > 0 && (
        <SelectField label={t('person.region')} value={region ?? ''} onChange={(event) => setRegion(event.target.value || null)}>
          <option value="">{t('person.wholeCountry')}</option>
          {data?.regions.map(({ code, name }) => (
            <option key={code} value={code}>
              {name}
            </option>
          ))}
        </SelectField>
      )}
      {country && data && !data.holidaysKnown && <p className="text-note text-odd">{t('person.noHolidays')}</p>}
      <div className="flex justify-end">
        <Button look="main" disabled={save.isPending} onClick={() => save.mutate({ change: { country, region }, done: close })}>
          {t('action.keep')}
        </Button>
      </div>
    </>
  );
}

function PhoneField({ person, close }: { person: PersonPage; close: () => void }) {
  const { t } = useTranslation();
  const save = usePersonChange(person);
  const [phone, setPhone] = useState(person.phone ?? '');
  return (
    <form
      noValidate
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate({ change: { phone }, done: close });
      }}
    >
      <TextField
        label={t('person.phoneLabel')}
        type="tel"
        autoFocus
        hint={t('person.phoneHint')}
        value={phone}
        error={save.error instanceof ApiError ? save.error.field('phone') : undefined}
        onChange={(event) => setPhone(event.target.value)}
      />
      <div className="flex justify-end">
        <Button look="main" type="submit" disabled={save.isPending}>
          {t('action.keep')}
        </Button>
      </div>
    </form>
  );
}
