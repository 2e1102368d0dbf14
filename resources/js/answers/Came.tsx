import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import '../lib/i18nAnswers';
import { clock, dayMonth, shortDate } from '../lib/time';
import { Button } from '../ui/Button';
import type { Reply } from './answers';

const LATELY = 8;
/** Why something was passed over or kept aside, as far as there are words for it. */
const WHY = [
  'older_version',
  'older_answer',
  'never_sent',
  'no_such_date',
  'not_asked',
  'over',
  'called_off',
  'nothing_said',
  'no_address',
  'machine',
  'too_often',
  'not_sure',
  'not_invited',
  'on_behalf',
  'another_meeting',
  'words',
] as const;

type CameProps = {
  meetingId: string;
  replies: Reply[];
  city: string;
  pending: boolean;
  decide: (reply: Reply, how: 'take' | 'dismiss') => void;
};

/** What came: first what waits for somebody, then the latest of the rest. */
export function Came({ meetingId, replies, city, pending, decide }: CameProps) {
  const { t } = useTranslation();
  const waits = (reply: Reply) => reply.state === 'waiting' || reply.state === 'aside';
  const waiting = replies.filter(waits);
  const lately = replies.filter((reply) => !waits(reply)).slice(0, LATELY);
  return (
    <>
      <section aria-labelledby="waiting">
        <h2 id="waiting" className="text-note font-semibold text-muted">
          {t('answers.waiting')}
        </h2>
        {waiting.length === 0 && <p className="text-muted">{t('answers.nothingWaits')}</p>}
        <ul className="flex flex-col gap-3">
          {waiting.map((reply) => (
            <li key={reply.id} className="border-l-4 border-sun pl-3">
              <What reply={reply} city={city} />
              <p className="flex flex-wrap gap-x-4">
                {reply.kind === 'handed_on' && reply.state === 'waiting' && reply.date === null && (
                  <Button look="quiet" disabled={pending} onClick={() => decide(reply, 'take')}>
                    {t('answers.agree', { delegate: reply.delegate })}
                  </Button>
                )}
                {reply.kind === 'answer' && reply.personId !== null && reply.partstat !== null && reply.partstat !== 'needs-action' && (
                  <Button look="quiet" disabled={pending} onClick={() => decide(reply, 'take')}>
                    {t('answers.take')}
                  </Button>
                )}
                {(reply.kind === 'other_time' || (reply.kind === 'handed_on' && reply.date !== null)) && (
                  <Link className="changeable font-medium" to={`/meetings/${meetingId}`}>
                    {t('answers.changeIt')}
                  </Link>
                )}
                <Button look="quiet" disabled={pending} onClick={() => decide(reply, 'dismiss')}>
                  {t('answers.dismiss')}
                </Button>
              </p>
            </li>
          ))}
        </ul>
      </section>
      <section aria-labelledby="lately">
        <h2 id="lately" className="text-note font-semibold text-muted">
          {t('answers.lately')}
        </h2>
        {lately.length === 0 && <p className="text-muted">{t('answers.nothingCame')}</p>}
        <ul className="flex flex-col gap-2">
          {lately.map((reply) => (
            <li key={reply.id} className={`border-l-4 pl-3 ${reply.kind === 'bounce' ? 'border-broken' : 'border-line'}`}>
              <What reply={reply} city={city} />
            </li>
          ))}
        </ul>
      </section>
    </>
  );
}

function What({ reply, city }: { reply: Reply; city: string }) {
  const { t } = useTranslation();
  const when = reply.date === null ? t('answers.all') : shortDate(reply.date);
  const { name, kind, why } = reply;
  const known = WHY.find((one) => one === why);
  const reason = known
    ? t(`answers.why.${known}`, { sender: reply.sender })
    : why?.startsWith('calendar_')
      ? t('answers.why.unread')
      : t('answers.why.otherwise');
  return (
    <>
      <p className="font-semibold">
        {kind === 'answer'
          ? t(`answers.said.${reply.partstat ?? 'needs-action'}`, { name, when })
          : t(`answers.kind.${kind}`, {
              name,
              when,
              delegate: reply.delegate,
              proposed: reply.proposedLocal === null ? '' : `${shortDate(reply.proposedLocal)}, ${clock(reply.proposedLocal)} ${city}`,
            })}
      </p>
      {reply.comment && <p className="text-muted whitespace-pre-line break-words">“{reply.comment}”</p>}
      {why !== null && <p className="text-note text-odd">{reason}</p>}
      <p className="text-note text-muted">
        {dayMonth(reply.atLocal)}, {clock(reply.atLocal)}, {t(`answers.via.${reply.via}`)}
      </p>
    </>
  );
}
