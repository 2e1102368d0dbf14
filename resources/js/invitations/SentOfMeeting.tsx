import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { DispatchList } from './DispatchList';
import { dispatchesQuery } from './dispatches';
import { HistoryOfMeeting } from './HistoryOfMeeting';

/** What was done to one meeting and what was sent for it, on its page. */
export function SentOfMeeting({ meetingId }: { meetingId: string }) {
  const { t } = useTranslation();
  const { data } = useQuery(dispatchesQuery('', '', meetingId, 1));
  return (
    <>
      <HistoryOfMeeting meetingId={meetingId} />
      <section aria-labelledby="sent">
        <h2 id="sent" className="text-note font-semibold text-muted">
          {t('meeting.sent', { count: data?.total ?? 0 })}
        </h2>
        {data && <DispatchList dispatches={data.dispatches} />}
        {data && data.pages > 1 && (
          <Link className="changeable" to={`/sent?meeting=${meetingId}`}>
            {t('meeting.allSent')}
          </Link>
        )}
      </section>
    </>
  );
}
