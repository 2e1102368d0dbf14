import { useTranslation } from 'react-i18next';
import type { Fit } from '../overlap/board';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';

export type FitsDialogProps = { fits: Fit[]; open: boolean; onOpenChange: (open: boolean) => void; take: (fit: Fit) => void };

/** Better times, with what each costs whom. */
export function FitsDialog({ fits, open, onOpenChange, take }: FitsDialogProps) {
  const { t } = useTranslation();
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title={t('fits.title')} description={t('fits.order')}>
      <ul>
        {fits.map((fit) => (
          <li key={fit.at} className="flex items-center justify-between gap-3 border-t border-line py-2">
            <span>
              <strong className="text-19">{fit.clock}</strong>{' '}
              {fit.dayShift !== 0 && t(fit.dayShift > 0 ? 'fits.dayAfter' : 'fits.dayBefore')}{' '}
              <span className="text-muted">
                {fit.clashDates === 0
                  ? t('fits.noClash', { count: fit.dates })
                  : t('fits.clashes', { count: fit.clashDates, dates: fit.dates })}
                , {fit.offHours === 0 ? t('fits.inHours') : t('fits.offHours', { count: fit.offHours })}
              </span>
            </span>
            <Button small onClick={() => take(fit)} aria-label={t('fits.takeLong', { clock: fit.clock })}>
              {t('action.take')}
            </Button>
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
