import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import type { Dispatch } from './dispatches';

const TONE: Record<Dispatch['state'], string> = {
  waiting: 'text-muted',
  sending: 'text-muted',
  sent: 'text-good',
  refused: 'text-broken font-semibold',
  given_up: 'text-broken font-semibold',
  replaced: 'text-muted',
  taken_back: 'text-muted',
};

/** In the browser's own zone, which is named by its offset. */
export function momentText(instant: string): string {
  return new Intl.DateTimeFormat('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
    timeZoneName: 'shortOffset',
  }).format(new Date(instant));
}

export function DispatchList({ dispatches, withMeeting = false }: { dispatches: Dispatch[]; withMeeting?: boolean }) {
  const { t } = useTranslation();
  return (
    <ul>
      {dispatches.map((dispatch) => (
        <li
          key={dispatch.id}
          className="grid grid-cols-1 gap-x-6 border-t border-line py-2 md:grid-cols-[minmax(0,1fr)_minmax(0,1fr)_11rem]"
        >
          <p className="min-w-0">
            <Link to={`/sent/${dispatch.id}`} className="font-semibold hover:underline">
              {dispatch.name ?? dispatch.recipient}
            </Link>
            <span className="block truncate text-note text-muted">{dispatch.recipient}</span>
          </p>
          <p className="min-w-0">
            <span className="block truncate">{t(`kind.${dispatch.kind}`)}</span>
            {withMeeting && <span className="block truncate text-note text-muted">{dispatch.meetingTitle ?? dispatch.subject}</span>}
          </p>
          <p>
            <span className={TONE[dispatch.state]}>{t(`dispatch.${dispatch.state}`)}</span>
            <span className="block text-note text-muted">
              {dispatch.nextTryAt && dispatch.tries > 0
                ? t('dispatch.again', { when: momentText(dispatch.nextTryAt), count: dispatch.tries })
                : momentText(dispatch.sentAt ?? dispatch.createdAt)}
            </span>
          </p>
        </li>
      ))}
    </ul>
  );
}
