import { useTranslation } from 'react-i18next';
import { dateOf, plusMinutes } from '../lib/time';
import { SelectField, TextField } from '../ui/Field';
import type { RuleInWords } from './meetings';

export type Ending = Pick<RuleInWords, 'end' | 'count' | 'untilOn'>;

export type EndFieldsProps = {
  ending: Ending;
  set: (next: Partial<Ending>) => void;
  startLocal: string;
  /** A last day is proposed so many days after the start. */
  proposedDays: number;
  error?: (field: 'count' | 'untilOn') => string | undefined;
  autoFocus?: boolean;
};

/** After a number of times, on a date, or not at all. */
export function EndFields({ ending, set, startLocal, proposedDays, error, autoFocus = false }: EndFieldsProps) {
  const { t } = useTranslation();
  return (
    <>
      <SelectField
        label={t('repeats.end')}
        value={ending.end}
        onChange={(event) => {
          const end = event.target.value as Ending['end'];
          set({
            end,
            untilOn: end === 'until' ? (ending.untilOn ?? dateOf(plusMinutes(startLocal, proposedDays * 1440))) : ending.untilOn,
          });
        }}
      >
        {(['count', 'until', 'open'] as const).map((end) => (
          <option key={end} value={end}>
            {t(`repeats.ends.${end}`)}
          </option>
        ))}
      </SelectField>
      {ending.end === 'count' && (
        <TextField
          label={t('repeats.count')}
          type="number"
          min={1}
          autoFocus={autoFocus}
          value={ending.count}
          error={error?.('count')}
          onChange={(event) => set({ count: Math.round(Number(event.target.value)) })}
        />
      )}
      {ending.end === 'until' && (
        <TextField
          label={t('repeats.until')}
          type="date"
          autoFocus={autoFocus}
          value={ending.untilOn ?? ''}
          error={error?.('untilOn')}
          onChange={(event) => set({ untilOn: event.target.value })}
        />
      )}
    </>
  );
}
