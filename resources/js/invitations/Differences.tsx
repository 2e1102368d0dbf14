import '../lib/i18nPlanning';
import { useTranslation } from 'react-i18next';
import type { Difference } from './readBack';

/** What differs between two states of a meeting, old and new beside each other. */
export function Differences({ different }: { different: Difference[] }) {
  const { t } = useTranslation();
  return (
    <dl>
      {different.map(({ what, was, now, date = '' }) => (
        <div
          key={what + date + (was ?? '') + (now ?? '')}
          className="grid grid-cols-1 gap-x-4 border-t border-line py-1.5 sm:grid-cols-[8rem_1fr_1fr]"
        >
          <dt className="text-muted">{t(`changed.what.${what}`, { date })}</dt>
          <dd className="min-w-0 break-words text-muted">{was ? <del>{was}</del> : ''}</dd>
          <dd className="min-w-0 font-semibold break-words">{now ?? ''}</dd>
        </div>
      ))}
    </dl>
  );
}
