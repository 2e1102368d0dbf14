import '../lib/i18nPlanning';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { sendJson } from '../lib/api';
import { clock, shortDate } from '../lib/time';
import { meetingShape } from '../planning/meetings';
import { Button } from '../ui/Button';
import { ErrorNote } from '../ui/ErrorNote';
import { Differences } from './Differences';
import { historyQuery } from './history';

/** What was done to a meeting since it was sent: by whom, from what to what, and the way back. */
export function HistoryOfMeeting({ meetingId }: { meetingId: string }) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const { data } = useQuery(historyQuery(meetingId));
  const restore = useMutation({
    mutationFn: (step: number) => sendJson('POST', `meetings/${meetingId}/history/${step}/restore`, {}, meetingShape),
    onSuccess: (sheet) => navigate(`/meetings/${sheet.id}/read-back`),
  });
  if (!data || data.steps.length === 0) {
    return null;
  }
  return (
    <section aria-labelledby="history">
      <h2 id="history" className="text-note font-semibold text-muted">
        {t('history.title')}
      </h2>
      {restore.error && <ErrorNote error={restore.error} />}
      <ol>
        {data.steps.map((step) => (
          <li key={step.id} className="border-t border-line py-1.5">
            <p className="flex flex-wrap items-baseline justify-between gap-x-4">
              <span>
                <strong>{t(`history.kind.${step.kind}`)}</strong>{' '}
                <span className="text-muted">
                  {[
                    step.by ? t('history.by', { name: step.by }) : '',
                    `${shortDate(step.atLocal)}, ${clock(step.atLocal)}`,
                    step.told > 0 ? t('history.told', { count: step.told }) : '',
                  ]
                    .filter(Boolean)
                    .join(', ')}
                </span>
                {step.takenBackLocal && (
                  <span className="font-semibold text-odd"> {t('history.takenBack', { clock: clock(step.takenBackLocal) })}</span>
                )}
              </span>
              {step.canRestore && (
                <Button look="quiet" disabled={restore.isPending} onClick={() => restore.mutate(step.id)}>
                  {t('history.restore')}
                </Button>
              )}
            </p>
            {step.words && <p className="border-l-4 border-line pl-3 whitespace-pre-line">{step.words}</p>}
            {step.different.length > 0 && <Differences different={step.different} />}
          </li>
        ))}
      </ol>
    </section>
  );
}
