import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import '../lib/i18nMore';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { Word } from '../ui/Word';

function Keep({ disabled = false }: { disabled?: boolean }) {
  const { t } = useTranslation();
  return (
    <div className="flex justify-end">
      <Button look="main" type="submit" disabled={disabled}>
        {t('action.keep')}
      </Button>
    </div>
  );
}

type TextWordProps = { label: string; value: string; disabled: boolean; take: (value: string) => void };

export function TextWord({ label, value, disabled, take }: TextWordProps) {
  const [typed, setTyped] = useState(value);
  return (
    <Word label={label} text={value} locked={disabled} className="font-semibold">
      {(close) => (
        <form
          className="flex flex-col gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            take(typed.trim());
            close();
          }}
        >
          <TextField label={label} autoFocus required maxLength={120} value={typed} onChange={(event) => setTyped(event.target.value)} />
          <Keep disabled={typed.trim() === ''} />
        </form>
      )}
    </Word>
  );
}

type NumberWordProps = {
  label: string;
  text: string;
  value: number | null;
  least: number;
  most: number;
  /** What no number at all is called, where there need be none. */
  none?: string;
  disabled: boolean;
  take: (value: number | null) => void;
};

export function NumberWord({ label, text, value, least, most, none, disabled, take }: NumberWordProps) {
  const { t } = useTranslation();
  const [typed, setTyped] = useState(value === null ? '' : String(value));
  const number = Number(typed);
  const fits = typed === '' ? none !== undefined : Number.isInteger(number) && number >= least && number <= most;
  return (
    <Word label={label} text={text} locked={disabled} className="font-semibold">
      {(close) => (
        <form
          className="flex flex-col gap-3"
          noValidate
          onSubmit={(event) => {
            event.preventDefault();
            if (fits) {
              take(typed === '' ? null : number);
              close();
            }
          }}
        >
          <TextField
            label={label}
            type="number"
            autoFocus
            min={least}
            max={most}
            value={typed}
            hint={none === undefined ? undefined : t('rules.emptyMeans', { what: none })}
            error={fits ? undefined : t('rules.between', { least, most })}
            onChange={(event) => setTyped(event.target.value)}
          />
          <Keep disabled={!fits} />
        </form>
      )}
    </Word>
  );
}

type ListWordProps = { label: string; hint: string; text: string; value: string[]; disabled: boolean; take: (value: string[]) => void };

export function ListWord({ label, hint, text, value, disabled, take }: ListWordProps) {
  const [typed, setTyped] = useState(value.join(', '));
  return (
    <Word label={label} text={text} locked={disabled} className="font-semibold">
      {(close) => (
        <form
          className="flex flex-col gap-3"
          onSubmit={(event) => {
            event.preventDefault();
            take(typed.split(/[\s,;]+/).filter((one) => one !== ''));
            close();
          }}
        >
          <TextField label={label} hint={hint} autoFocus value={typed} onChange={(event) => setTyped(event.target.value)} />
          <Keep />
        </form>
      )}
    </Word>
  );
}

type ChoiceWordProps<T extends string> = {
  label: string;
  value: T;
  choices: { value: T; name: string; means: string }[];
  disabled: boolean;
  take: (value: T) => void;
};

export function ChoiceWord<T extends string>({ label, value, choices, disabled, take }: ChoiceWordProps<T>) {
  const text = choices.find((choice) => choice.value === value)?.name ?? value;
  return (
    <Word label={label} text={text} locked={disabled} className="font-semibold">
      {(close) => (
        <fieldset className="flex flex-col gap-2">
          <legend className="mb-1 text-note font-semibold text-muted">{label}</legend>
          {choices.map((choice) => (
            <label key={choice.value} className="flex items-start gap-2">
              <input
                type="radio"
                name={label}
                className="mt-1"
                checked={choice.value === value}
                onChange={() => {
                  take(choice.value);
                  close();
                }}
              />
              <span>
                {choice.name} <span className="block text-note text-muted">{choice.means}</span>
              </span>
            </label>
          ))}
        </fieldset>
      )}
    </Word>
  );
}
