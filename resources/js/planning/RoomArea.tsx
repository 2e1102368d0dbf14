import { useTranslation } from 'react-i18next';
import '../lib/i18nRoom';
import { EntryPicture } from '../joining/EntryPicture';
import { RoomPhones } from '../joining/RoomPhones';
import { listed } from '../lib/time';
import { ErrorNote } from '../ui/ErrorNote';
import type { Kit } from './meetings';
import type { RoomState } from './useRoom';

type RoomAreaProps = { room: RoomState; city: string; kit: Kit | null; nameOf: (id: string) => string };

/** Beside the sentences of a room: what they do to each, and the ways in by phone. */
export function RoomArea({ room, city, kit, nameOf }: RoomAreaProps) {
  const { t } = useTranslation();
  return (
    <div className="min-w-0 flex-1 overflow-y-auto px-5 py-3">
      {room.query.isError && <ErrorNote error={room.query.error} retry={() => void room.query.refetch()} />}
      {!room.data && !room.query.isError && <p role="status">{t('entryRules.working')}</p>}
      {room.data && (
        <>
          <EntryPicture room={room.data} city={city} nameOf={nameOf} hostComes={room.hostComes} setHostComes={room.setHostComes} />
          {room.data.inRoom.length > 0 && (
            <p className="mb-4 text-muted">
              {t('entryRules.atPlace', { names: listed(room.data.inRoom.map(nameOf)), count: room.data.inRoom.length })}
            </p>
          )}
          <RoomPhones room={room.data} pin={room.values?.passcode ? (kit?.pin ?? null) : null} nameOf={nameOf} set={room.set} />
        </>
      )}
    </div>
  );
}
