import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { clock } from '../lib/time';
import { sessionQuery, useOwnWall } from '../people/session';

/** Says that the server does not answer, and since when; the page below stays as it is. */
export function Away() {
  const { t } = useTranslation();
  const wall = useOwnWall();
  const { error, errorUpdatedAt, dataUpdatedAt } = useQuery(sessionQuery);
  if (!error) {
    return null;
  }
  return (
    <p role="alert" className="bg-broken px-5 py-1.5 font-semibold text-sheet">
      {t('failure.away', { clock: clock(wall(Math.max(dataUpdatedAt, errorUpdatedAt))) })}
    </p>
  );
}
