import { useTranslation } from 'react-i18next';
import type { ApiError } from '../lib/api';
import { TextField } from './Field';

export type Days = { fromOn: string; untilOn: string };
export type DayRangeProps = { days: Days; error: ApiError | null; onChange: (days: Days) => void };

/** A first and a last day, beside each other; without a last one it is that day alone. */
export function DayRange({ days, error, onChange }: DayRangeProps) {
  const { t } = useTranslation();
  return (
    <div className="grid grid-cols-2 gap-3">
      <TextField
        label={t('away.from')}
        type="date"
        value={days.fromOn}
        error={error?.field('fromOn')}
        onChange={(event) => onChange({ fromOn: event.target.value, untilOn: days.untilOn })}
      />
      <TextField
        label={t('away.until')}
        type="date"
        value={days.untilOn}
        hint={t('away.untilHint')}
        error={error?.field('untilOn')}
        onChange={(event) => onChange({ fromOn: days.fromOn, untilOn: event.target.value })}
      />
    </div>
  );
}
