import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { clock, shortDate } from '../lib/time';
import { Button } from '../ui/Button';
import type { Meeting } from './meetings';

const DATES_SHOWN = 12;

/** The dates of a meeting: those lying ahead first, all when asked for. */
export function MeetingDates({
  dates,
  meeting,
}: {
  dates: { dates: { local: string; startsAt: string; over: boolean }[]; laidUntil: string | null; more: boolean } | undefined;
  meeting: Meeting;
}) {
  const { t } = useTranslation();
  const [all, setAll] = useState(false);
  if (!dates || dates.dates.length === 0) {
    return null;
  }
  const ahead = dates.dates.filter((date) => !date.over);
  const shown = all ? dates.dates : ahead.slice(0, DATES_SHOWN);
  return (
    <section aria-labelledby="dates">
      <h2 id="dates" className="text-note font-semibold text-muted">
        {t('meeting.dates', { count: dates.dates.length, over: dates.dates.length - ahead.length })}
      </h2>
      <ol>
        {shown.map((date) => (
          <li key={date.startsAt} className={`flex justify-between border-t border-line py-1.5 ${date.over ? 'text-muted' : ''}`}>
            <span className="font-semibold">{shortDate(date.local)}</span>
            <span>
              {meeting.allDay ? t('board.allDay') : `${clock(date.local)} ${meeting.zoneCity}`} {date.over && t('status.over')}
            </span>
          </li>
        ))}
      </ol>
      {(all || shown.length < dates.dates.length) && (
        <Button look="quiet" onClick={() => setAll(!all)}>
          {all ? t('sheet.fewer') : t('meeting.allDates', { count: dates.dates.length })}
        </Button>
      )}
      {dates.more && dates.laidUntil && (
        <p className="text-note text-muted">{t('meeting.moreDates', { date: shortDate(dates.laidUntil) })}</p>
      )}
    </section>
  );
}
