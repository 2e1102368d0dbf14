import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { sendJson } from '../lib/api';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { ErrorNote } from '../ui/ErrorNote';
import { useTell } from '../ui/Notice';
import { discardedShape } from './meetings';

export type DiscardDraftsProps = { drafts: string[]; chosen: ReadonlySet<string>; choose: (chosen: ReadonlySet<string>) => void };

/** Several drafts chosen in the list are discarded at once, after a question. */
export function DiscardDrafts({ drafts, chosen, choose }: DiscardDraftsProps) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const [asking, setAsking] = useState(false);
  const ids = drafts.filter((id) => chosen.has(id));
  const discard = useMutation({
    mutationFn: () => sendJson('POST', 'meetings/discard', { ids }, discardedShape),
    onSuccess: ({ discarded }) => {
      choose(new Set());
      setAsking(false);
      tell(t('meetings.discarded', { count: discarded }));
      void client.invalidateQueries();
    },
  });
  return (
    <p className="flex flex-wrap items-center gap-4 pb-1">
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          className="h-4 w-4 accent-ink"
          checked={ids.length > 0 && ids.length === drafts.length}
          onChange={(event) => choose(new Set(event.target.checked ? drafts : []))}
        />
        {t('meetings.chooseAll')}
      </label>
      <Button small disabled={ids.length === 0} onClick={() => setAsking(true)}>
        {t('meetings.discard', { count: ids.length })}
      </Button>
      <Dialog
        open={asking}
        onOpenChange={setAsking}
        title={t('meetings.discardTitle', { count: ids.length })}
        description={t('meetings.discardText')}
      >
        {discard.error && <ErrorNote error={discard.error} />}
        <div className="flex justify-end gap-3">
          <Button onClick={() => setAsking(false)}>{t('action.stay')}</Button>
          <Button look="danger" disabled={discard.isPending} onClick={() => discard.mutate()}>
            {t('meetings.discard', { count: ids.length })}
          </Button>
        </div>
      </Dialog>
    </p>
  );
}
