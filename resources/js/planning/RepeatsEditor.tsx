import { useTranslation } from 'react-i18next';
import { Button } from '../ui/Button';
import { SelectField, TextField } from '../ui/Field';
import { Toggles } from '../ui/Toggles';
import { DAYS } from './parts';
import { EndFields, type Ending } from './EndFields';
import type { RuleInWords } from './meetings';
import type { Sheet } from './sheet';
import { WeekdayField } from './WeekdayField';

export type EndEditorProps = { sheet: Sheet; change: (next: Partial<Sheet>) => void; close: () => void };
export type RepeatsEditorProps = EndEditorProps & { byParts: () => void };

/** Of the plain form; by its parts a rule may have more. */
const MOST_COUNT = 1000;

/** How often: every day, on weekdays, on a date or a weekday of the month, every year. */
export function RepeatsEditor({ sheet, change, close, byParts }: RepeatsEditorProps) {
  const { t } = useTranslation();
  const repeats = sheet.rule;
  if (repeats?.by !== 'words') {
    return null;
  }
  const set = (next: Partial<RuleInWords>) => change({ rule: { ...repeats, ...next }, dropped: [] });
  return (
    <div className="flex flex-col gap-3">
      <div className="grid grid-cols-2 gap-3">
        <SelectField
          label={t('repeats.every')}
          value={repeats.every}
          onChange={(event) => set({ every: event.target.value as RuleInWords['every'] })}
        >
          {(['day', 'week', 'month', 'year'] as const).map((unit) => (
            <option key={unit} value={unit}>
              {t(`repeats.unit.${unit}`)}
            </option>
          ))}
        </SelectField>
        <TextField
          label={t('repeats.interval', { unit: t(`repeats.units.${repeats.every}`) })}
          type="number"
          min={1}
          max={99}
          value={repeats.interval}
          onChange={(event) => {
            const interval = Math.round(Number(event.target.value));
            if (interval >= 1 && interval <= 99) {
              set({ interval });
            }
          }}
        />
      </div>
      {repeats.every === 'week' && (
        <Toggles
          label={t('repeats.on')}
          options={DAYS.map((day) => ({ value: day, label: t(`weekday.${day}`) }))}
          chosen={DAYS.filter((day) => repeats.days.includes(day))}
          choose={(days) => {
            if (days.length > 0) {
              set({ days });
            }
          }}
        />
      )}
      {repeats.every === 'month' && (
        <div className={`grid gap-3 ${repeats.monthBy === 'workingDay' ? '' : 'grid-cols-2'}`}>
          <SelectField
            label={t('repeats.monthBy')}
            value={repeats.monthBy}
            onChange={(event) => set({ monthBy: event.target.value as RuleInWords['monthBy'] })}
          >
            <option value="date">{t('repeats.byDate')}</option>
            <option value="weekday">{t('repeats.byWeekday')}</option>
            <option value="workingDay">{t('repeats.byWorkingDay')}</option>
          </SelectField>
          {repeats.monthBy === 'date' && (
            <SelectField
              label={t('repeats.day')}
              value={repeats.monthDay}
              onChange={(event) => set({ monthDay: Number(event.target.value) })}
            >
              {Array.from({ length: 31 }, (_, index) => index + 1).map((day) => (
                <option key={day} value={day}>
                  {day}
                </option>
              ))}
              <option value={-1}>{t('repeats.lastDay')}</option>
            </SelectField>
          )}
          {repeats.monthBy === 'weekday' && (
            <SelectField label={t('repeats.which')} value={repeats.nth} onChange={(event) => set({ nth: Number(event.target.value) })}>
              {[1, 2, 3, 4, 5, -1].map((nth) => (
                <option key={nth} value={nth}>
                  {t(`repeats.nth.${nth}`)}
                </option>
              ))}
            </SelectField>
          )}
          {repeats.monthBy === 'weekday' && (
            <WeekdayField label={t('repeats.weekday')} value={repeats.weekday} choose={(day) => set({ weekday: day })} />
          )}
        </div>
      )}
      <div className="flex items-center justify-between gap-3">
        <Button
          look="quiet"
          onClick={() => {
            change({ rule: null, dropped: [] });
            close();
          }}
        >
          {t('repeats.none')}
        </Button>
        <Button look="quiet" onClick={byParts}>
          {t('repeats.byParts')}
        </Button>
        <Button small onClick={close}>
          {t('action.done')}
        </Button>
      </div>
    </div>
  );
}

/** Until when: a number of times, a date, or no end. */
export function EndEditor({ sheet, change, close }: EndEditorProps) {
  const { t } = useTranslation();
  const ending = sheet.rule;
  if (!ending) {
    return null;
  }
  const most = ending.by === 'words' ? MOST_COUNT : Infinity;
  const set = (next: Partial<Ending>) => {
    const isCount = next.count === undefined || (next.count >= 1 && next.count <= most);
    const isDay = !next.untilOn || /^\d{4}-\d{2}-\d{2}$/.test(next.untilOn);
    if (!isCount || !isDay || next.untilOn === '') {
      return;
    }
    change({ rule: { ...ending, ...next } });
  };
  return (
    <form
      className="flex flex-col gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        close();
      }}
    >
      <EndFields ending={ending} set={set} startLocal={sheet.startLocal} proposedDays={84} autoFocus />
      <Button small type="submit">
        {t('action.done')}
      </Button>
    </form>
  );
}
