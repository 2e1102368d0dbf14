import { useTranslation } from 'react-i18next';
import { clock, dayMonth, shortDate } from '../lib/time';
import type { Planned } from './board';
import { useOwnWall } from '../people/session';
import { Button } from '../ui/Button';
import type { Meeting } from './meetings';
import type { SheetState } from './useSheet';

export type SheetNotesProps = { state: SheetState; planned: Planned | undefined; meeting: Meeting; city: string };

/** What is to be said of the sheet as a whole: text from an earlier visit, dates that are past, times that a clock skips. */
export function SheetNotes({ state, planned, meeting, city }: SheetNotesProps) {
  const { t } = useTranslation();
  const wall = useOwnWall();
  const typedAt = state.offer ? wall(Date.parse(state.offer.at)) : '';
  const notes = [
    ...(planned?.skipped ?? []).map((date) =>
      t('odd.skipped', { date: dayMonth(date.date), clock: clock(date.date), reads: clock(date.reads), place: planned?.zoneCity }),
    ),
    ...(planned && planned.past > 0 ? [t('odd.past', { count: planned.past, of: planned.board.dates.length })] : []),
  ];
  if (!state.offer && notes.length === 0) {
    return null;
  }
  return (
    <div className="flex flex-col gap-1 px-5 pt-2">
      {state.offer && (
        <p role="status" className="flex flex-wrap items-baseline gap-x-4 border-l-4 border-odd bg-sheet px-3 py-1.5">
          <span>
            {t('held.offer', { date: shortDate(typedAt), clock: clock(typedAt), city })}{' '}
            {state.offer.version === meeting.version ? '' : t('held.changedSince')}
          </span>
          <Button look="quiet" onClick={state.takeOffer}>
            {t('held.take')}
          </Button>
          <Button look="quiet" onClick={state.letOfferGo}>
            {t('held.letGo')}
          </Button>
        </p>
      )}
      {notes.map((note) => (
        <p key={note} role="status" className="border-l-4 border-odd bg-sheet px-3 py-1 font-semibold text-odd">
          {note}
        </p>
      ))}
    </div>
  );
}
