import { useTranslation } from 'react-i18next';
import '../lib/i18nRoom';
import type { Room } from '../joining/room';
import { useNames } from '../joining/RoomConflicts';
import { clockAt } from '../joining/words';

/** At the foot of the sheet: who is in when the host has come, and whom somebody has to let in. */
export function RoomSum({ room, nameOf }: { room: Room; nameOf: (id: string) => string }) {
  const { t } = useTranslation();
  const names = useNames(nameOf);
  const { sum } = room;
  if (sum.of === 0) {
    return t('entryRules.sum.nobody');
  }
  return (
    <>
      <strong>
        {t(sum.in === sum.of ? 'entryRules.sum.inAll' : 'entryRules.sum.in', {
          in: sum.in,
          of: sum.of,
          clock: clockAt(room, sum.at),
        })}
      </strong>{' '}
      {sum.letIn.length > 0 && t('entryRules.sum.letIn', { count: sum.letIn.length, names: names(sum.letIn) })}{' '}
      {sum.refused.length > 0 && t('entryRules.sum.refused', { count: sum.refused.length, names: names(sum.refused) })}
    </>
  );
}
