import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { clock, dateOf, shortDate } from '../lib/time';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { emptyOwn, ownWords, placeOfDate, withOwn } from './own';
import type { DateEdit } from './series';
import type { Sheet } from './sheet';

export type DatesEditorProps = {
  sheet: Sheet;
  edit: (edit: DateEdit) => void;
  pending: boolean;
  change: (next: Partial<Sheet>) => void;
  makeDiffer: (date: string) => void;
};

/** Dates that are off: those that were moved are not. */
export const leftOut = (sheet: Sheet): string[] => sheet.dropped.filter((wall) => !sheet.moved.some(({ date }) => date === wall));

/** The single dates of a series: those moved, those taken away, those added, and room for one more. */
export function DatesEditor({ sheet, edit, pending, change, makeDiffer }: DatesEditorProps) {
  const { t } = useTranslation();
  const say = (wall: string) => (sheet.allDay ? shortDate(wall) : `${shortDate(wall)}, ${clock(wall)}`);
  const gone = leftOut(sheet);
  const added = sheet.extra.filter((wall) => !sheet.moved.some(({ to }) => to === wall));
  return (
    <div className="flex flex-col gap-3">
      {sheet.dropped.length + sheet.extra.length + sheet.own.length === 0 && <p className="text-muted">{t('singleDates.none')}</p>}
      <ul className="max-h-64 overflow-y-auto">
        {sheet.moved.map(({ date, to }) => (
          <li key={date} className="flex items-baseline justify-between gap-3 border-b border-line py-1">
            <span>{t('singleDates.isMoved', { date: say(date), to: say(to) })}</span>
            <Button look="quiet" disabled={pending} onClick={() => edit({ do: 'move', date: to, to: date })}>
              {t('strip.restore')}
            </Button>
          </li>
        ))}
        {sheet.own.map((own) => (
          <li key={own.date} className="flex items-baseline justify-between gap-3 border-b border-line py-1">
            <button type="button" className="changeable text-left" onClick={() => makeDiffer(own.date)}>
              {t('ownDate.differs', { date: shortDate(placeOfDate(sheet, own.date)), what: ownWords(t, own) })}
            </button>
            <Button look="quiet" onClick={() => change({ own: withOwn(sheet, emptyOwn(own.date)) })}>
              {t('strip.restore')}
            </Button>
          </li>
        ))}
        {gone.map((wall) => (
          <li key={wall} className="flex items-baseline justify-between gap-3 border-b border-line py-1">
            <span>{t('singleDates.dropped', { date: say(wall) })}</span>
            <Button look="quiet" disabled={pending} onClick={() => edit({ do: 'add', date: wall })}>
              {t('strip.restore')}
            </Button>
          </li>
        ))}
        {added.map((wall) => (
          <li key={wall} className="flex items-baseline justify-between gap-3 border-b border-line py-1">
            <span>{t('singleDates.extra', { date: say(wall) })}</span>
            <Button look="quiet" disabled={pending} onClick={() => edit({ do: 'drop', date: wall })}>
              {t('singleDates.remove')}
            </Button>
          </li>
        ))}
      </ul>
      <WhenForm
        from={sheet.startLocal}
        allDay={sheet.allDay}
        pending={pending}
        action={t('singleDates.add')}
        take={(date) => edit({ do: 'add', date })}
      />
    </div>
  );
}

/** A date and a time, taken together. */
export function WhenForm({
  from,
  allDay,
  action,
  pending,
  take,
}: {
  from: string;
  allDay: boolean;
  action: string;
  pending: boolean;
  take: (wall: string) => void;
}) {
  const { t } = useTranslation();
  const [date, setDate] = useState(dateOf(from));
  const [time, setTime] = useState(clock(from));
  const whole = /^\d{4}-\d{2}-\d{2}$/.test(date) && /^\d{2}:\d{2}$/.test(time);
  return (
    <form
      className="flex items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (whole) {
          take(`${date}T${time}:00`);
        }
      }}
    >
      <TextField label={t('singleDates.date')} type="date" value={date} onChange={(event) => setDate(event.target.value)} />
      {!allDay && (
        <TextField label={t('sheet.time')} type="time" step={300} value={time} onChange={(event) => setTime(event.target.value)} />
      )}
      <Button small type="submit" className="whitespace-nowrap" disabled={!whole || pending}>
        {action}
      </Button>
    </form>
  );
}
