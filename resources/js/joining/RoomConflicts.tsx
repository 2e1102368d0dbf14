import { useTranslation } from 'react-i18next';
import '../lib/i18nRoom';
import { clock, listed, longDate } from '../lib/time';
import { Button } from '../ui/Button';
import type { Room, RoomConflict, SomeSettings } from './room';
import { wayWords } from './words';

const NAMED = 3;

/** Some people by name, the rest by their number. */
export function useNames(nameOf: (id: string) => string) {
  const { t } = useTranslation();
  return (ids: string[]) =>
    listed([
      ...ids.slice(0, NAMED).map(nameOf),
      ...(ids.length > NAMED ? [t('entryRules.sum.others', { count: ids.length - NAMED })] : []),
    ]);
}

/** What does not go together, in words. */
export function ConflictText({ conflict, nameOf }: { conflict: RoomConflict; nameOf: (id: string) => string }) {
  const { t } = useTranslation();
  const names = useNames(nameOf);
  const wanted = conflict.facts['setting'];
  const date = conflict.facts['date'];
  const facts = {
    ...conflict.facts,
    when: date ? `${longDate(String(date))}, ${clock(String(date))}` : '',
    names: names(conflict.people),
    what: wanted ? t(`entryRules.label.${wanted}`) : '',
  };
  return (
    <>
      <p className="font-semibold">{t(`entryRules.conflict.${conflict.kind}.title`, facts)}</p>
      <p className="text-muted">{t(`entryRules.conflict.${conflict.kind}.text`, facts)}</p>
    </>
  );
}

type ConflictsProps = {
  room: Room;
  nameOf: (id: string) => string;
  set: (change: SomeSettings) => void;
  setAccount: (id: string) => void;
  /** Cuts a meeting that is too long for the account; null where it cannot be. */
  split: ((minutes: number, pause: number) => void) | null;
};

const BREAK_MINUTES = 10;

/** How long the first of two parts is, in minutes of five; null where even half is too long. */
const firstHalf = ({ kind, facts: { count, allowed } }: RoomConflict): number | null => {
  const half = Math.ceil(Number(count) / 10) * 5;
  return kind === 'too_long_for_account' && half <= Number(allowed) && half < Number(count) ? half : null;
};

/** What does not go together, as it arises, each with the way out in one press. */
export function RoomConflicts({ room, nameOf, set, setAccount, split }: ConflictsProps) {
  const { t } = useTranslation();
  /** Accounts that would take what this one does not. */
  const larger = ({ kind, facts: { count } }: RoomConflict) => {
    const of = { too_many_for_account: 'people', too_long_for_account: 'minutes', too_many_co_hosts: 'coHosts' } as const;
    const bound = kind in of ? of[kind as keyof typeof of] : null;
    return bound === null
      ? []
      : room.accounts.filter((account) => account.id !== room.account?.id && (account[bound] === null || account[bound] >= Number(count)));
  };
  return (
    <ul className="flex flex-col gap-2" aria-live="polite">
      {room.conflicts.map((conflict, at) => (
        <li key={`${conflict.kind} ${conflict.facts['country'] ?? at}`} className="border-l-4 border-odd pl-3">
          <ConflictText conflict={conflict} nameOf={nameOf} />
          <p className="flex flex-wrap gap-x-4">
            {conflict.ways
              .filter((way) => Object.keys(way).every((name) => room.settings[name as keyof Room['settings']].lockedBy.length === 0))
              .map((way) => (
                <Button key={JSON.stringify(way)} look="quiet" onClick={() => set(way)}>
                  {wayWords(t, way, conflict.facts)}
                </Button>
              ))}
            {split && firstHalf(conflict) !== null && (
              <Button look="quiet" onClick={() => split(firstHalf(conflict) ?? 0, BREAK_MINUTES)}>
                {t('entryRules.way.split', { count: BREAK_MINUTES })}
              </Button>
            )}
            {larger(conflict).map((account) => (
              <Button key={account.id} look="quiet" onClick={() => setAccount(account.id)}>
                {t('entryRules.way.account', { name: account.name })}
              </Button>
            ))}
          </p>
        </li>
      ))}
    </ul>
  );
}
