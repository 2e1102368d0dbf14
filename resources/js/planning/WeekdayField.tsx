import { useTranslation } from 'react-i18next';
import { SelectField } from '../ui/Field';
import { DAYS } from './parts';

export type WeekdayFieldProps = { label: string; value: string; choose: (day: string) => void };

/** One of the seven days. */
export function WeekdayField({ label, value, choose }: WeekdayFieldProps) {
  const { t } = useTranslation();
  return (
    <SelectField label={label} value={value} onChange={(event) => choose(event.target.value)}>
      {DAYS.map((day) => (
        <option key={day} value={day}>
          {t(`weekdayLong.${day}`)}
        </option>
      ))}
    </SelectField>
  );
}
