import { useTranslation } from 'react-i18next';
import { Button } from '../ui/Button';
import type { AnchorZone } from './board';

/** One line, where another anchor zone would move fewer people's clocks, and the press that takes it. */
export function AnchorAdvice({ anchors, take }: { anchors: AnchorZone[]; take: (zone: string) => void }) {
  const { t } = useTranslation();
  const [now, best] = anchors;
  if (!now || !best) {
    return null;
  }
  return (
    <p className="flex flex-wrap items-baseline gap-x-3 text-note text-muted">
      <span>
        {best.people === 0
          ? t('anchor.nobody', { city: best.city, now: now.people })
          : t('anchor.advice', { city: best.city, count: best.people, now: now.people })}
      </span>
      <Button look="quiet" onClick={() => take(best.zone)}>
        {t('anchor.take', { city: best.city })}
      </Button>
    </p>
  );
}
