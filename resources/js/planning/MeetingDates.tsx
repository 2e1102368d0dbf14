import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { clock, dateOf, shortDate, weekday } from '../lib/time';
import { Button } from '../ui/Button';
import { DateDialog } from './DateDialog';
import { ownWords } from './own';
import type { DateRow, Meeting } from './meetings';

const DATES_SHOWN = 12;

/** The dates of a meeting: those lying ahead first, all when asked for. */
export function MeetingDates({
  dates,
  meeting,
  changes = false,
}: {
  dates: { dates: DateRow[]; laidUntil: string | null; more: boolean } | undefined;
  meeting: Meeting;
  /** Whether its dates may be changed and called off. */
  changes?: boolean;
}) {
  const { t } = useTranslation();
  const [all, setAll] = useState(false);
  const [asked, setAsked] = useState<DateRow | null>(null);
  if (!dates || dates.dates.length === 0) {
    return null;
  }
  const ahead = dates.dates.filter((date) => !date.over);
  // On paper every date stands, however many are shown on the page.
  const shown = new Set(all ? dates.dates : ahead.slice(0, DATES_SHOWN));
  return (
    <section aria-labelledby="dates">
      <h2 id="dates" className="text-note font-semibold text-muted">
        {t(ahead.length === dates.dates.length ? 'meeting.dates' : 'meeting.datesPast', {
          count: dates.dates.length,
          over: dates.dates.length - ahead.length,
        })}
      </h2>
      <ol>
        {dates.dates.map((date) => (
          <li
            key={date.startsAt}
            className={`justify-between border-t border-line py-1.5 print:flex ${shown.has(date) ? 'flex' : 'hidden'} ${date.over ? 'text-muted' : ''}`}
          >
            <span>
              <span className="font-semibold">{shortDate(date.local)}</span>{' '}
              {changes && !date.over && ahead.length > 1 && (
                <Button
                  look="quiet"
                  className="no-print ml-2 text-note"
                  aria-label={t('dateDialog.openLong', { date: shortDate(date.local) })}
                  onClick={() => setAsked(date)}
                >
                  {t('dateDialog.open')}
                </Button>
              )}
              {date.own && (
                <span className="block text-note text-muted">
                  {ownWords(t, { ...date.own, people: date.own.people === null ? null : { length: date.own.people } })}
                </span>
              )}
            </span>
            <span className="text-right">
              {meeting.allDay ? t('board.allDay') : `${clock(date.local)} ${meeting.zoneCity}`} {date.over && t('status.over')}
              {!meeting.allDay && date.ownLocal !== date.local && (
                <span className="block text-note text-muted">
                  {t('meeting.yourTime', {
                    time: `${dateOf(date.ownLocal) === dateOf(date.local) ? '' : `${weekday(date.ownLocal)} `}${clock(date.ownLocal)}`,
                  })}
                </span>
              )}
            </span>
          </li>
        ))}
      </ol>
      {asked && <DateDialog meeting={meeting} date={asked} isFirst={asked === dates.dates[0]} close={() => setAsked(null)} />}
      {(all || shown.size < dates.dates.length) && (
        <Button look="quiet" className="no-print" onClick={() => setAll(!all)}>
          {all ? t('sheet.fewer') : t('meeting.allDates', { count: dates.dates.length })}
        </Button>
      )}
      {dates.more && dates.laidUntil && (
        <p className="text-note text-muted">{t('meeting.moreDates', { date: shortDate(dates.laidUntil) })}</p>
      )}
    </section>
  );
}
