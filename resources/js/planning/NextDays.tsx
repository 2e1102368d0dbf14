import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { clock, shortDate } from '../lib/time';
import { meetingsQuery } from './meetings';

/** So many are named. */
const NAMED = 8;

/** Beside the board of a sheet that nobody else is on yet: what to do next, and what comes up anyway. */
export function NextDays() {
  const { t } = useTranslation();
  const { data } = useQuery(meetingsQuery('', 'ahead', 1));
  const coming = (data?.meetings ?? []).filter((meeting) => meeting.nextLocal !== null).slice(0, NAMED);
  return (
    <aside className="w-72 shrink-0 overflow-y-auto pt-10" aria-label={t('nextDays.title')}>
      <p className="border-l-4 border-sun bg-sheet px-3 py-2">{t('board.empty')}</p>
      <h2 className="mt-4 text-note font-semibold text-muted">{t('nextDays.title')}</h2>
      {coming.length === 0 && <p className="text-muted">{t('nextDays.none')}</p>}
      <ol>
        {coming.map((meeting) => (
          <li key={meeting.id} className="border-t border-line py-1.5">
            <span className="narrow font-semibold">{shortDate(meeting.nextLocal ?? '')}</span>{' '}
            <span className="text-note text-muted">
              {meeting.allDay ? t('board.allDay') : `${clock(meeting.nextLocal ?? '')} ${meeting.zoneCity}`}
            </span>
            <Link className="block truncate hover:underline" to={`/meetings/${meeting.id}`}>
              {meeting.title}
            </Link>
          </li>
        ))}
      </ol>
    </aside>
  );
}
