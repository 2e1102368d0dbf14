import { useTranslation } from 'react-i18next';
import type { Absence } from '../people/absences';
import { called, type Person } from '../people/people';
import { shortDate } from '../lib/time';
import { Button } from '../ui/Button';

type AwayNoteProps = {
  absence: Absence;
  /** Who is on the sheet already. */
  taken: string[];
  too: (person: Person) => void;
  instead: (person: Person) => void;
};

/** Beside somebody on the sheet: that they are away on some of its dates, and their stand-in at one press. */
export function AwayNote({ absence, taken, too, instead }: AwayNoteProps) {
  const { t } = useTranslation();
  const { standIn } = absence;
  const day = (on: string) => shortDate(`${on}T00:00:00`);
  return (
    <p className="pb-1 text-note text-odd">
      <strong>
        {absence.fromOn === absence.untilOn
          ? t('away.isAwayOn', { day: day(absence.fromOn) })
          : t('away.isAway', { from: day(absence.fromOn), until: day(absence.untilOn) })}
      </strong>
      {absence.note && ` (${absence.note})`}
      {standIn && ` ${t('away.standsIn', { name: called(standIn) })}.`}{' '}
      {standIn && !taken.includes(standIn.id) && (
        <>
          <Button look="quiet" onClick={() => too(standIn)} aria-label={t('away.askTooLong', { name: called(standIn) })}>
            {t('away.askToo')}
          </Button>{' '}
          <Button look="quiet" onClick={() => instead(standIn)} aria-label={t('away.askInsteadLong', { name: called(standIn) })}>
            {t('away.askInstead')}
          </Button>
        </>
      )}
    </p>
  );
}
