import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { clock, dayMonth } from '../lib/time';
import { useSession } from '../people/session';
import type { Dispatch } from './dispatches';

const TONE: Record<Dispatch['state'], string> = {
  waiting: 'text-muted',
  sending: 'text-muted',
  sent: 'text-good',
  refused: 'text-broken font-semibold',
  given_up: 'text-broken font-semibold',
  replaced: 'text-muted',
  left_out: 'text-odd',
  taken_back: 'text-muted',
};

/** "28 Nov, 10:15 Nairobi": on the clock of whoever is signed in. */
export const momentText = (local: string, city: string): string => `${dayMonth(local)}, ${clock(local)} ${city}`;

export function DispatchList({ dispatches, withMeeting = false }: { dispatches: Dispatch[]; withMeeting?: boolean }) {
  const { t } = useTranslation();
  const city = useSession()?.zoneCity ?? '';
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
            {dispatch.stale && <span className="font-semibold text-odd"> {t('kitStale')}</span>}
            <span className="block text-note text-muted">
              {dispatch.nextTryLocal && dispatch.tries > 0
                ? t('dispatch.again', { when: momentText(dispatch.nextTryLocal, city), count: dispatch.tries })
                : momentText(dispatch.sentLocal ?? dispatch.createdLocal, city)}
            </span>
          </p>
        </li>
      ))}
    </ul>
  );
}
