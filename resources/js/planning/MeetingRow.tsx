import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { clock, shortDate } from '../lib/time';
import { Button } from '../ui/Button';
import type { Row } from './meetings';

export type MeetingRowProps = {
  meeting: Row;
  /** Whether it is among those to be discarded; null where that is not asked. */
  chosen: boolean | null;
  choose: (chosen: boolean) => void;
  again: (() => void) | null;
  pending: boolean;
};

/** A meeting in the list, under the date at which it comes next. */
export function MeetingRow({ meeting, chosen, choose, again, pending }: MeetingRowProps) {
  const { t } = useTranslation();
  const title = meeting.title || t('sheet.untitled');
  return (
    <li className="grid grid-cols-1 gap-x-6 border-t border-line py-2.5 md:grid-cols-[9rem_minmax(0,1fr)_15rem_14rem] md:items-baseline">
      <p>
        {meeting.nextLocal ? (
          <>
            <span className="narrow font-semibold">{shortDate(meeting.nextLocal)}</span>
            <span className="block text-note text-muted">
              {meeting.allDay ? t('board.allDay') : `${clock(meeting.nextLocal)} ${meeting.zoneCity}`}
            </span>
          </>
        ) : (
          meeting.shownLocal && <span className="narrow text-muted">{shortDate(meeting.shownLocal)}</span>
        )}
      </p>
      <div className="flex min-w-0 gap-3">
        {chosen !== null && (
          <input
            type="checkbox"
            className="mt-1 h-4 w-4 shrink-0 accent-ink"
            aria-label={t('meetings.choose', { title })}
            checked={chosen}
            onChange={(event) => choose(event.target.checked)}
          />
        )}
        <div className="min-w-0">
          <Link
            to={`/meetings/${meeting.id}${meeting.status === 'draft' || meeting.status === 'kept' ? '/plan' : ''}`}
            className="text-[1rem] font-semibold hover:underline"
          >
            {title}
          </Link>
          <p className="text-muted">{meeting.sentence}</p>
        </div>
      </div>
      <p className="text-muted">{t('meetings.people', { count: meeting.attendees, host: meeting.host ?? t('meetings.noHost') })}</p>
      <p className="flex items-baseline justify-between gap-4 md:justify-end">
        <span className={meeting.status === 'called_off' ? 'text-broken' : 'text-muted'}>
          {t(`status.${meeting.over ? 'over' : meeting.status}`)}
          {meeting.kitStale && <span className="block font-semibold text-odd">{t('kitStale')}</span>}
          {meeting.changeWaits && <span className="block font-semibold text-odd">{t('changed.waits')}</span>}
        </span>
        {again && (
          <Button look="quiet" disabled={pending} onClick={again} aria-label={t('meetings.againLong', { title })}>
            {t('meetings.again')}
          </Button>
        )}
      </p>
    </li>
  );
}
