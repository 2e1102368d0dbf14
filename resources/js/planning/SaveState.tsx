import { useTranslation } from 'react-i18next';
import { clock } from '../lib/time';
import { useOwnWall, useSession } from '../people/session';
import type { SheetState } from './useSheet';

/** Whether what stands on the sheet is saved, and since when. */
export function SaveState({ state, city }: { state: SheetState; city: string }) {
  const { t } = useTranslation();
  const wall = useOwnWall();
  const isSignedOut = useSession()?.account === null;
  if (state.state === 'away') {
    return (
      <span className="font-semibold text-broken">
        {t(isSignedOut ? 'sheet.signedOutSince' : 'sheet.awaySince', { clock: clock(wall(state.since ?? 0)) })}
      </span>
    );
  }
  if (state.state === 'failed') {
    return <span className="font-semibold text-broken">{t('sheet.notKept')}</span>;
  }
  if (state.state === 'waiting') {
    return <span>{t('sheet.keeping')}</span>;
  }
  return <span>{state.keptLocal ? t('sheet.keptAt', { clock: clock(state.keptLocal), city }) : t('sheet.kept')}</span>;
}
