import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import { send } from '../lib/api';
import { Button } from '../ui/Button';
import { ErrorNote } from '../ui/ErrorNote';
import { useTell } from '../ui/Notice';
import type { Meeting } from './meetings';
import { DiscardQuestion } from './SheetQuestions';

/** Says of a meeting that a change of it was begun and not sent. */
export function WaitingChange({ meeting, changeId }: { meeting: Meeting; changeId: string }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const [asking, setAsking] = useState(false);
  const discard = useMutation({
    mutationFn: () => send('DELETE', `meetings/${changeId}`),
    onSuccess: async () => {
      setAsking(false);
      tell(t('changed.discarded', { title: meeting.title }));
      await client.invalidateQueries();
    },
  });
  return (
    <div role="status" className="flex flex-wrap items-baseline gap-x-5 border-l-4 border-sun bg-sheet px-3 py-2">
      <span className="font-semibold">{t('changed.waitsLong')}</span>
      <Link className="changeable" to={`/meetings/${changeId}/read-back`}>
        {t('sheet.readBack')}
      </Link>
      <Button look="quiet" onClick={() => setAsking(true)}>
        {t('changed.discard')}
      </Button>
      {discard.error && <ErrorNote error={discard.error} />}
      <DiscardQuestion open={asking} onOpenChange={setAsking} pending={discard.isPending} discard={() => discard.mutate()} isChange />
    </div>
  );
}
