import { useTranslation } from 'react-i18next';
import type { Hours } from './people';

const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'] as const;
type Typed = Record<string, string>;

/** "09:00-12:30, 14:00-18:00" to stretches; null if it cannot be read. */
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

/** Hours as they stand in the fields; those that are usual where nobody has any yet. */
export const hoursAsTyped = (hours: Hours | undefined): Typed =>
  Object.fromEntries(
    DAYS.map((day) => [day, writeStretches(hours ? hours[day] : ['sat', 'sun'].includes(day) ? [] : [['09:00', '17:00']])]),
  );

export const unreadableDays = (typed: Typed): string[] => DAYS.filter((day) => readStretches(typed[day] ?? '') === null);

export const readHours = (typed: Typed): Hours =>
  Object.fromEntries(
    DAYS.flatMap((day) => {
      const stretches = readStretches(typed[day] ?? '');
      return stretches && stretches.length > 0 ? [[day, stretches]] : [];
    }),
  );

/** Days with the same hours, said together: [["mon", "thu"], "08:00–12:00, 13:00–16:00"]; days off are left out. */
export function hoursInWords(hours: Hours): { from: string; to: string; hours: string }[] {
  const said: { from: string; to: string; hours: string; at: number }[] = [];
  DAYS.forEach((day, at) => {
    const text = writeStretches(hours[day]);
    const last = said.at(-1);
    if (text !== '' && last && last.hours === text && last.at === at - 1) {
      last.to = day;
      last.at = at;
    } else if (text !== '') {
      said.push({ from: day, to: day, hours: text, at });
    }
  });
  return said;
}

type HoursFieldsProps = {
  hours: Typed;
  change: (hours: Typed) => void;
  /** What stands above the fields, and in an empty one. */
  hint?: string | undefined;
  empty?: string | undefined;
};

/** A field for each weekday; empty is a day off, unless said otherwise. */
export function HoursFields({ hours, change, hint, empty }: HoursFieldsProps) {
  const { t } = useTranslation();
  const unreadable = unreadableDays(hours);
  return (
    <div>
      <p className="text-note text-muted">{hint ?? t('people.hoursHint')}</p>
      {DAYS.map((day) => (
        <div key={day} className="mt-1 grid grid-cols-[4rem_1fr] items-center gap-2">
          <label htmlFor={`hours-${day}`}>{t(`weekday.${day}`)}</label>
          <input
            id={`hours-${day}`}
            className={`rounded border bg-sheet px-2 py-1 ${unreadable.includes(day) ? 'border-broken' : 'border-muted'}`}
            aria-invalid={unreadable.includes(day) || undefined}
            value={hours[day]}
            placeholder={empty ?? t('people.dayOff')}
            onChange={(event) => change({ ...hours, [day]: event.target.value })}
          />
        </div>
      ))}
    </div>
  );
}
