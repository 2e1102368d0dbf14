import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import '../lib/i18nPlanning';
import { ApiError } from '../lib/api';
import { listed } from '../lib/time';
import { Button } from '../ui/Button';
import { useTell } from '../ui/Notice';
import { BlueprintDialog } from './BlueprintDialog';
import { keepBlueprint, takeOver } from './blueprints';
import { meetingQuery, type Meeting } from './meetings';

/** Keeps a meeting as something to start from; or says from what it was started, and where it differs by now. */
export function FromBlueprint({ meeting, flush }: { meeting: Meeting; flush?: () => Promise<boolean> }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const [keeping, setKeeping] = useState(false);
  const again = () => client.invalidateQueries({ queryKey: meetingQuery(meeting.id).queryKey });
  const take = useMutation({
    mutationFn: async (id: string) => {
      await flush?.();
      return takeOver(id, meeting.id);
    },
    onSuccess: async ({ name }) => {
      await again();
      tell(t('blueprint.tookOver', { name }));
    },
    onError: (error) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }),
  });
  const { blueprint } = meeting;
  return (
    <>
      {blueprint && (
        <span>
          {t('blueprint.from', { name: blueprint.name })}
          {blueprint.differs.length > 0 && (
            <>
              {', '}
              {t('blueprint.differs', {
                parts: listed(blueprint.differs.map((part) => t(`changed.part.${part === 'length' ? 'when' : part}`))),
              })}{' '}
              <Button look="quiet" disabled={take.isPending} onClick={() => take.mutate(blueprint.id)}>
                {t('blueprint.takeOver')}
              </Button>
            </>
          )}
        </span>
      )}
      {!blueprint && (
        <button type="button" className="changeable" onClick={() => setKeeping(true)}>
          {t('blueprint.keep')}
        </button>
      )}
      {keeping && (
        <BlueprintDialog
          title={t('blueprint.keep')}
          start={{ name: meeting.title, teamId: null, words: '' }}
          save={async (entry) => {
            await flush?.();
            return keepBlueprint(meeting.id, entry);
          }}
          saved={({ name }) => {
            void again();
            tell(t('blueprint.kept', { name }));
          }}
          close={() => setKeeping(false)}
        />
      )}
    </>
  );
}
