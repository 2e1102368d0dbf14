import { useState, type InputHTMLAttributes } from 'react';
import { useTranslation } from 'react-i18next';
import '../lib/i18nMore';
import { Button } from './Button';
import { TextField } from './Field';
import { Word } from './Word';

type TypedProps = {
  label: string;
  /** What stands there when the editor opens. */
  start: string;
  hint?: string | undefined;
  /** What is wrong with what is typed; empty words: it cannot be kept, and everybody sees why. */
  wrong: (typed: string) => string | undefined;
  input?: InputHTMLAttributes<HTMLInputElement>;
  take: (typed: string) => void;
};

/** A field that is there while its editor is open, and begins with what stands. */
function Typed({ label, start, hint, wrong, input, take }: TypedProps) {
  const { t } = useTranslation();
  const [typed, setTyped] = useState(start);
  const error = wrong(typed);
  return (
    <form
      className="flex flex-col gap-3"
      noValidate
      onSubmit={(event) => {
        event.preventDefault();
        if (error === undefined) {
          take(typed);
        }
      }}
    >
      <TextField
        label={label}
        autoFocus
        value={typed}
        hint={hint}
        error={error || undefined}
        onChange={(event) => setTyped(event.target.value)}
        {...input}
      />
      <div className="flex justify-end">
        <Button look="main" type="submit" disabled={error !== undefined}>
          {t('action.keep')}
        </Button>
      </div>
    </form>
  );
}

type TextWordProps = { label: string; value: string; disabled: boolean; take: (value: string) => void };

export function TextWord({ label, value, disabled, take }: TextWordProps) {
  return (
    <Word label={label} text={value} locked={disabled} className="font-semibold">
      {(close) => (
        <Typed
          label={label}
          start={value}
          input={{ maxLength: 120 }}
          wrong={(typed) => (typed.trim() === '' ? '' : undefined)}
          take={(typed) => {
            take(typed.trim());
            close();
          }}
        />
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
  const fits = (typed: string) =>
    typed === '' ? none !== undefined : Number.isInteger(Number(typed)) && Number(typed) >= least && Number(typed) <= most;
  return (
    <Word label={label} text={text} locked={disabled} className="font-semibold">
      {(close) => (
        <Typed
          label={label}
          start={value === null ? '' : String(value)}
          hint={none === undefined ? undefined : t('rules.emptyMeans', { what: none })}
          input={{ type: 'number', min: least, max: most }}
          wrong={(typed) => (fits(typed) ? undefined : t('rules.between', { least, most }))}
          take={(typed) => {
            take(typed === '' ? null : Number(typed));
            close();
          }}
        />
      )}
    </Word>
  );
}

type SpanWordProps = { label: string; none: string; value: string | null; disabled: boolean; take: (value: string | null) => void };

const SPAN = /^([01]\d|2[0-3]):[0-5]\d-(([01]\d|2[0-3]):[0-5]\d|24:00)$/;

/** A stretch of the day, "09:00-11:00", or none. */
export function SpanWord({ label, none, value, disabled, take }: SpanWordProps) {
  const { t } = useTranslation();
  const plain = (typed: string) => typed.replaceAll(/\s/g, '').replace(/[–—]/, '-');
  const fits = (typed: string) => plain(typed) === '' || (SPAN.test(plain(typed)) && plain(typed).slice(0, 5) < plain(typed).slice(6));
  return (
    <Word label={label} text={value?.replace('-', '–') ?? none} locked={disabled} className="font-semibold">
      {(close) => (
        <Typed
          label={label}
          start={value ?? ''}
          hint={t('rules.spanHint', { what: none })}
          wrong={(typed) => (fits(typed) ? undefined : t('rules.noSpan'))}
          take={(typed) => {
            take(plain(typed) || null);
            close();
          }}
        />
      )}
    </Word>
  );
}

type ListWordProps = { label: string; hint: string; text: string; value: string[]; disabled: boolean; take: (value: string[]) => void };

export function ListWord({ label, hint, text, value, disabled, take }: ListWordProps) {
  return (
    <Word label={label} text={text} locked={disabled} className="font-semibold">
      {(close) => (
        <Typed
          label={label}
          start={value.join(', ')}
          hint={hint}
          wrong={() => undefined}
          take={(typed) => {
            take(typed.split(/[\s,;]+/).filter((one) => one !== ''));
            close();
          }}
        />
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
