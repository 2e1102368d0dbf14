import '../lib/i18nMore';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { clock, dayMonth, plusMinutes, shortDate, weekdayDay } from '../lib/time';
import { Button } from '../ui/Button';
import type { Week } from './person';

const HOUR_MARKS = [0, 3, 6, 9, 12, 15, 18, 21];
const shifted = (day: string, days: number) => plusMinutes(`${day}T00:00:00`, days * 1440).slice(0, 10);
const time = (minute: number) => `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
const part = (minutes: number) => `${(minutes / 1440) * 100}%`;

/** Seven days from top to bottom: light where somebody works, blocks where they have something. */
export function WeekOfLight({ week, name, go }: { week: Week; name: string; go: (from: string | null) => void }) {
  const { t } = useTranslation();
  const last = shifted(week.from, 6);
  return (
    <section aria-label={t('person.week', { name, from: shortDate(`${week.from}T00:00:00`) })}>
      <div className="mb-2 flex flex-wrap items-center justify-between gap-3">
        <p className="text-note text-muted">{t('person.weekIn', { city: week.city })}</p>
        <div className="flex items-center gap-1.5">
          <Button onClick={() => go(shifted(week.from, -7))} aria-label={t('person.weekBefore')}>
            ‹
          </Button>
          <span className="min-w-40 text-center font-semibold">{`${dayMonth(`${week.from}T00:00:00`)} – ${dayMonth(`${last}T00:00:00`)} ${last.slice(0, 4)}`}</span>
          <Button onClick={() => go(shifted(week.from, 7))} aria-label={t('person.weekAfter')}>
            ›
          </Button>
          {(week.today < week.from || week.today > last) && (
            <Button look="quiet" onClick={() => go(null)}>
              {t('person.thisWeek')}
            </Button>
          )}
        </div>
      </div>
      <div className="grid grid-cols-[2.5rem_1fr]">
        <div aria-hidden className="relative mt-6 h-96 text-note text-muted">
          {HOUR_MARKS.map((hour) => (
            <span key={hour} className="absolute right-2 -translate-y-1/2" style={{ top: part(hour * 60) }}>
              {String(hour).padStart(2, '0')}
            </span>
          ))}
        </div>
        <ol className="grid grid-cols-7 gap-1">
          {week.days.map((day) => (
            <Day key={day.on} day={day} isToday={day.on === week.today} city={week.city} />
          ))}
        </ol>
      </div>
    </section>
  );
}

function Day({ day, isToday, city }: { day: Week['days'][number]; isToday: boolean; city: string }) {
  const { t } = useTranslation();
  const isOff = day.hours.length === 0;
  const off = day.holiday ?? (isOff ? t('person.dayOff') : null);
  return (
    <li className="min-w-0">
      <p className={`truncate text-center text-note leading-6 ${isToday ? 'font-bold' : 'font-semibold'}`}>
        {weekdayDay(`${day.on}T00:00:00`)}
        {isToday && <span className="font-normal text-muted"> {t('person.today')}</span>}
      </p>
      <div className={`relative h-96 overflow-hidden rounded-sm border border-line ${isOff ? 'ground-day_off' : 'ground-night'}`}>
        {!isOff &&
          day.dusk.map(([start, end]) => (
            <span key={start} className="ground-dusk absolute inset-x-0" style={{ top: part(start), height: part(end - start) }} />
          ))}
        {day.hours.map(([start, end]) => (
          <span key={start} className="ground-day absolute inset-x-0" style={{ top: part(start), height: part(end - start) }}>
            <span className="sr-only">{t('person.worksFrom', { from: time(start), until: time(end) })}</span>
          </span>
        ))}
        {off !== null && <p className="absolute inset-x-1 top-1 text-[0.6875rem] leading-4 break-words text-on-dusk">{off}</p>}
        {day.city !== city && (
          <p className="absolute inset-x-1 bottom-1 text-[0.6875rem] text-on-night">{t('person.in', { city: day.city })}</p>
        )}
        {day.blocks.map(([start, end, kind, label]) => (
          <span
            key={`${start} ${end} ${label}`}
            className={`block-${kind} absolute inset-x-1 overflow-hidden rounded-sm`}
            style={{ top: part(start), height: part(Math.max(12, end - start)) }}
            title={`${time(start)}–${time(end)} ${label}`}
          >
            <span className={kind === 'away' ? 'm-1 block rounded bg-sheet px-1 text-[0.6875rem] leading-4' : 'sr-only'}>
              {kind === 'away' ? label : t('person.has', { from: time(start), until: time(end), what: label })}
            </span>
          </span>
        ))}
      </div>
    </li>
  );
}

/** The next date of each meeting of somebody's, on their own clock. */
export function MeetingsAhead({ week, name }: { week: Week; name: string }) {
  const { t } = useTranslation();
  return (
    <section aria-labelledby="ahead" className="mt-5">
      <h2 id="ahead" className="text-note font-semibold text-muted">
        {t('person.ahead')}
      </h2>
      {week.ahead.length === 0 && <p className="border-t border-line py-1.5 text-muted">{t('person.nothingAhead', { name })}</p>}
      <ul>
        {week.ahead.map((meeting) => (
          <li
            key={meeting.id}
            className="grid grid-cols-1 items-baseline gap-x-6 border-t border-line py-1.5 md:grid-cols-[2fr_1.4fr_1fr_1.4fr]"
          >
            <Link className="inline-block min-h-6 font-semibold hover:underline" to={`/meetings/${meeting.id}`}>
              {meeting.title || t('sheet.untitled')}
            </Link>
            <span>
              {shortDate(meeting.local)}, {clock(meeting.local)}
            </span>
            <span>
              {meeting.light === 'night' ? (
                <span className="rounded bg-night-badge px-1.5 text-note font-semibold text-white">{t('light.night')}</span>
              ) : meeting.light === 'in_hours' || meeting.light === 'unknown' ? (
                ''
              ) : (
                <span className="text-note font-semibold text-odd">{t(`light.${meeting.light}`)}</span>
              )}
            </span>
            <span className="text-note text-muted">
              {[meeting.repeats ? t('person.repeats') : '', meeting.host ? t('person.host', { name: meeting.host }) : '']
                .filter(Boolean)
                .join(', ')}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
