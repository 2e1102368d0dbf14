import { useTranslation } from 'react-i18next';
import '../lib/i18nRoom';

/** Whether meetings may have a setting otherwise. */
export function Lock({ label, locked, toggle }: { label: string; locked: boolean; toggle: (() => void) | null }) {
  const { t } = useTranslation();
  const text = t(locked ? 'entryRules.house.locked' : 'entryRules.house.open');
  if (toggle === null) {
    return locked ? <span className="ml-1.5 text-note text-muted">({text})</span> : null;
  }
  return (
    <button
      type="button"
      aria-label={t('entryRules.house.lock', { state: text, label })}
      className={`ml-1.5 rounded border px-1 text-note ${locked ? 'border-ink font-semibold' : 'border-line text-muted'}`}
      onClick={toggle}
    >
      {text}
    </button>
  );
}
