import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import * as z from 'zod/mini';
import '../lib/i18nRoom';
import type { Room } from '../joining/room';
import { ApiError, sendJson } from '../lib/api';
import { listed } from '../lib/time';
import { called } from '../people/people';
import { Button } from '../ui/Button';
import { useTell } from '../ui/Notice';
import { ChoiceWord } from '../ui/SettingWords';
import type { Meeting } from './meetings';
import type { Sheet } from './sheet';
import type { RoomState } from './useRoom';

type HeldInProps = { sheet: Sheet; meeting: Meeting; room: RoomState };

/** Whether a meeting has a room of its own, or is held in the one that its host keeps; who still holds the link of that. */
export function HeldIn({ sheet, meeting, room }: HeldInProps) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const host = sheet.attendees.find(({ person }) => person.id === sheet.hostId)?.person;
  const fresh = useMutation({
    mutationFn: () => sendJson('POST', `people/${sheet.hostId}/room`, { what: ['passcode'] }, z.object({})),
    onSuccess: async () => {
      await client.invalidateQueries({ queryKey: ['meeting', meeting.id] });
      await client.invalidateQueries({ queryKey: ['room'] });
      tell(t('entryRules.standing.freshDone'));
    },
    onError: (error) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }),
  });
  const holders = sheet.room.standing ? room.data?.holders : null;
  return (
    <>
      <p>
        {t('entryRules.standing.held')}{' '}
        <ChoiceWord
          label={t('entryRules.standing.label')}
          value={sheet.room.standing ? 'lasting' : 'own'}
          disabled={false}
          choices={[
            { value: 'own', name: t('entryRules.standing.own'), means: t('entryRules.standing.ownMeans') },
            ...(host
              ? [
                  {
                    value: 'lasting' as const,
                    name: t('entryRules.standing.lasting', { name: called(host) }),
                    means: t('entryRules.standing.lastingMeans'),
                  },
                ]
              : []),
          ]}
          take={(value) => room.setPeople({ standing: value === 'lasting' })}
        />
        .{!host && <span className="block text-note text-muted">{t('entryRules.standing.noHost')}</span>}
      </p>
      {holders && holders.count > 0 && (
        <div className="border-l-4 border-odd pl-3" role="status">
          <p className="font-semibold">{t('entryRules.standing.holders', { count: holders.count, names: holderNames(t, holders) })}</p>
          <Button look="quiet" disabled={fresh.isPending} onClick={() => fresh.mutate()}>
            {t('entryRules.standing.fresh')}
          </Button>
        </div>
      )}
    </>
  );
}

export const holderNames = (t: ReturnType<typeof useTranslation>['t'], { count, some }: NonNullable<Room['holders']>): string => {
  const names = listed(some.map(({ name }) => name));
  return count > some.length ? t('entryRules.standing.andMore', { names: some.map(({ name }) => name).join(', ') }) : names;
};
