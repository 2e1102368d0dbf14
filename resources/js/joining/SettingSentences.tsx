import { useState, type ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import '../lib/i18nRoom';
import { listed } from '../lib/time';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { ChoiceWord, NumberWord } from '../ui/SettingWords';
import { Word } from '../ui/Word';
import type { Setting, Settings, SomeSettings } from './room';
import { heldBy, LOBBIES, lobbyOf } from './words';

const A_DAY = 1440;
const MOST_PEOPLE = 100_000;

/** How one setting stands: what is beside it, and whether it can be changed here. */
export type Beside = { fixed: boolean; note: ReactNode };

type SentencesProps = {
  values: Settings;
  /** Whether a setting can be changed, and what is said beside it. */
  beside: (setting: Setting) => Beside;
  set: (change: SomeSettings) => void;
};

/** Who gets in, as sentences whose underlined words are the settings. */
export function WhoGetsIn({ values, beside, set }: SentencesProps) {
  const { t } = useTranslation();
  const ahead = (setting: 'doors' | 'opens') => (
    <NumberWord
      label={t(`entryRules.label.${setting}`)}
      text={t('entryRules.minutesAhead', { count: values[setting] })}
      value={values[setting]}
      least={0}
      most={A_DAY}
      disabled={beside(setting).fixed}
      take={(minutes) => minutes !== null && set({ [setting]: minutes })}
    />
  );
  const yesNo = useYesNo({ values, beside, set });
  return (
    <>
      <p>
        {t('entryRules.say.doors')} {ahead('doors')}
        {beside('doors').note}, {t('entryRules.say.opens')} {ahead('opens')}
        {beside('opens').note}.
      </p>
      <p>
        {t('entryRules.say.beforeHost')}{' '}
        <ChoiceWord
          label={t('entryRules.label.beforeHost')}
          value={values.beforeHost}
          disabled={beside('beforeHost').fixed}
          choices={(['enter', 'lobby', 'wait'] as const).map((value) => ({
            value,
            name: t(`entryRules.beforeHost.${value}`),
            means: t(`entryRules.beforeHost.${value}Means`),
          }))}
          take={(beforeHost) => set({ beforeHost })}
        />
        {beside('beforeHost').note}.
      </p>
      <p>
        {t('entryRules.say.lobby')}{' '}
        <ChoiceWord
          label={t('entryRules.label.lobby')}
          value={lobbyOf(values.lobby)}
          disabled={beside('lobby').fixed}
          choices={LOBBIES.map((value) => ({ value, name: t(`entryRules.lobby.${value}`), means: t(`entryRules.lobby.${value}Means`) }))}
          take={(lobby) => set({ lobby: heldBy(lobby) })}
        />
        {beside('lobby').note} {t('entryRules.say.lobbyAfter')}
      </p>
      <p>
        {yesNo('invitedOnly', 'invited')} {t('entryRules.invited.after')} {t('entryRules.say.signIn')} {yesNo('signIn', 'signIn')}.
      </p>
      <p>
        {t('entryRules.say.passcode')} {yesNo('passcode', 'passcode')}
        {values.passcode && (
          <>
            {' '}
            {t('entryRules.say.and')}{' '}
            <ChoiceWord
              label={t('entryRules.label.passcodeInLink')}
              value={values.passcodeInLink ? 'inLink' : 'notInLink'}
              disabled={beside('passcodeInLink').fixed}
              choices={(['inLink', 'notInLink'] as const).map((value) => ({
                value,
                name: t(`entryRules.passcode.${value}`),
                means: t(`entryRules.passcode.${value}Means`),
              }))}
              take={(value) => set({ passcodeInLink: value === 'inLink' })}
            />
            {beside('passcodeInLink').note}, {t('entryRules.say.passcodeLength')}{' '}
            <NumberWord
              label={t('entryRules.label.passcodeLength')}
              text={t('entryRules.signs', { count: values.passcodeLength })}
              value={values.passcodeLength}
              least={6}
              most={16}
              disabled={beside('passcodeLength').fixed}
              take={(passcodeLength) => passcodeLength !== null && set({ passcodeLength })}
            />
            {beside('passcodeLength').note}
          </>
        )}
        .
      </p>
      <p>
        {t('entryRules.say.picture')} {yesNo('linkPicture', 'linkPicture')}.
      </p>
      <p>
        {t('entryRules.say.countries')} <CountriesWord value={values.countries} beside={beside('countries')} set={set} />{' '}
        {t('entryRules.countries.may')}
      </p>
      <p>
        {t('entryRules.say.capacity')}{' '}
        <NumberWord
          label={t('entryRules.label.capacity')}
          text={values.capacity === null ? t('entryRules.noLimit') : t('entryRules.people', { count: values.capacity })}
          value={values.capacity}
          least={1}
          most={MOST_PEOPLE}
          none={t('entryRules.noLimit')}
          disabled={beside('capacity').fixed}
          take={(capacity) => set({ capacity })}
        />
        {beside('capacity').note},{' '}
        <NumberWord
          label={t('entryRules.label.lock')}
          text={values.lock === null ? t('entryRules.neverLocked') : t('entryRules.locked', { count: values.lock })}
          value={values.lock}
          least={0}
          most={A_DAY}
          none={t('entryRules.neverLocked')}
          disabled={beside('lock').fixed}
          take={(lock) => set({ lock })}
        />
        {beside('lock').note}.
      </p>
    </>
  );
}

/** What is so in the room. */
export function InTheRoom({ values, beside, set }: SentencesProps) {
  const { t } = useTranslation();
  const yesNo = useYesNo({ values, beside, set });
  const words = <T extends string>(setting: Setting, group: string, all: readonly T[], value: T) => (
    <>
      <ChoiceWord
        label={t(`entryRules.label.${setting}`)}
        value={value}
        disabled={beside(setting).fixed}
        choices={all.map((one) => ({ value: one, name: t(`entryRules.${group}.${one}`), means: t(`entryRules.${group}.${one}Means`) }))}
        take={(next) => set({ [setting]: next })}
      />
      {beside(setting).note}
    </>
  );
  return (
    <>
      <p>
        {t('entryRules.say.video')} {yesNo('video', 'video')}, {t('entryRules.say.audio')}{' '}
        {words('audio', 'audio', ['computer', 'phone', 'both'] as const, values.audio)}.
      </p>
      <p>
        {t('entryRules.say.cameras')} {words('cameras', 'arrival', ['off', 'own', 'on'] as const, values.cameras)},{' '}
        {t('entryRules.say.microphones')} {words('microphones', 'arrival', ['off', 'own', 'on'] as const, values.microphones)}.
      </p>
      <p>
        {t('entryRules.say.screens')} {words('screens', 'screens', ['hosts', 'presenters', 'everyone'] as const, values.screens)},{' '}
        {t('entryRules.say.chat')} {words('chat', 'chat', ['off', 'hosts', 'everyone'] as const, values.chat)}.
      </p>
      <p>
        {t('entryRules.say.captions')} {yesNo('captions', 'captions')}, {t('entryRules.say.sound')} {yesNo('arrivalSound', 'sound')}.
      </p>
      <p>
        {t('entryRules.say.recording')} {yesNo('recording', 'recording')}. {t('entryRules.say.mark')} {yesNo('nameMark', 'mark')}.{' '}
        {t('entryRules.say.renaming')} {yesNo('renaming', 'renaming')}.
      </p>
    </>
  );
}

type Flag = { [K in Setting]: Settings[K] extends boolean ? K : never }[Setting];

function useYesNo({ values, beside, set }: SentencesProps) {
  const { t } = useTranslation();
  return (setting: Flag, group: string) => (
    <>
      <ChoiceWord
        label={t(`entryRules.label.${setting}`)}
        value={values[setting] ? 'yes' : 'no'}
        disabled={beside(setting).fixed}
        choices={(['yes', 'no'] as const).map((value) => ({
          value,
          name: t(`entryRules.${group}.${value}`),
          means: t(`entryRules.${group}.${value}Means`),
        }))}
        take={(value) => set({ [setting]: value === 'yes' })}
      />
      {beside(setting).note}
    </>
  );
}

const codesOf = (value: Settings['countries']): string[] => (value === null ? [] : 'allow' in value ? value.allow : value.refuse);
const readCodes = (typed: string): string[] | null => {
  const codes = typed
    .toUpperCase()
    .split(/[\s,;]+/)
    .filter((one) => one !== '');
  return codes.every((code) => /^[A-Z]{2}$/.test(code)) ? [...new Set(codes)] : null;
};
const regions = new Intl.DisplayNames(['en'], { type: 'region' });
export const countryName = (code: string): string => {
  try {
    return regions.of(code) ?? code;
  } catch {
    return code;
  }
};

type CountriesWordProps = { value: Settings['countries']; beside: Beside; set: (change: SomeSettings) => void };

function CountriesWord({ value, beside, set }: CountriesWordProps) {
  const { t } = useTranslation();
  const names = listed(codesOf(value).map(countryName));
  const text =
    value === null
      ? t('entryRules.countries.all')
      : 'allow' in value
        ? t('entryRules.countries.onlyFrom', { names })
        : t('entryRules.countries.notFrom', { names });
  return (
    <>
      <Word label={t('entryRules.label.countries')} text={text} locked={beside.fixed} className="font-semibold">
        {(close) => (
          <CountriesEditor
            value={value}
            take={(countries) => {
              set({ countries });
              close();
            }}
          />
        )}
      </Word>
      {beside.note}
    </>
  );
}

function CountriesEditor({ value, take }: { value: Settings['countries']; take: (value: Settings['countries']) => void }) {
  const { t } = useTranslation();
  const [kind, setKind] = useState<'all' | 'allow' | 'refuse'>(value === null ? 'all' : 'allow' in value ? 'allow' : 'refuse');
  const [typed, setTyped] = useState(codesOf(value).join(', '));
  const codes = readCodes(typed);
  return (
    <form
      className="flex flex-col gap-3"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (kind === 'all') {
          take(null);
        } else if (codes !== null && codes.length > 0) {
          take(kind === 'allow' ? { allow: codes } : { refuse: codes });
        }
      }}
    >
      <fieldset className="flex flex-col gap-2">
        <legend className="mb-1 text-note font-semibold text-muted">{t('entryRules.label.countries')}</legend>
        {(['all', 'allow', 'refuse'] as const).map((one) => (
          <label key={one} className="flex items-start gap-2">
            <input type="radio" name="countries" className="mt-1" checked={kind === one} onChange={() => setKind(one)} />
            <span>
              {t(`entryRules.countries.${one}`)} <span className="block text-note text-muted">{t(`entryRules.countries.${one}Means`)}</span>
            </span>
          </label>
        ))}
      </fieldset>
      {kind !== 'all' && (
        <TextField
          label={t('entryRules.countries.which')}
          hint={codes !== null && codes.length > 0 ? listed(codes.map(countryName)) : t('entryRules.countries.hint')}
          error={codes === null ? t('entryRules.countries.wrong') : undefined}
          value={typed}
          maxLength={300}
          onChange={(event) => setTyped(event.target.value)}
        />
      )}
      <div className="flex justify-end">
        <Button look="main" type="submit" disabled={kind !== 'all' && (codes === null || codes.length === 0)}>
          {t('action.keep')}
        </Button>
      </div>
    </form>
  );
}
