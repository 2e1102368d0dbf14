import { useTranslation } from 'react-i18next';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';

const KEYS = ['t', 'm', 'n', '?'] as const;

export function KeysDialog({ open, onOpenChange, plans }: { open: boolean; onOpenChange: (open: boolean) => void; plans: boolean }) {
  const { t } = useTranslation();
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title={t('keys.title')} description={t('keys.text')}>
      <dl className="grid grid-cols-[7rem_1fr] gap-y-1.5">
        <dt className="font-semibold">Ctrl K</dt>
        <dd>{t('keys.palette')}</dd>
        {KEYS.filter((key) => plans || key !== 'n').map((key) => (
          <div key={key} className="contents">
            <dt className="font-semibold">{key}</dt>
            <dd>{t(`keys.${key === '?' ? 'help' : key}`)}</dd>
          </div>
        ))}
        <dt className="font-semibold">{t('keys.barKeys')}</dt>
        <dd>{t('keys.bar')}</dd>
        <dt className="font-semibold">s</dt>
        <dd>{t('keys.s')}</dd>
        <dt className="font-semibold">Alt ↑ ↓</dt>
        <dd>{t('keys.agenda')}</dd>
      </dl>
      <div className="flex justify-end">
        <Button onClick={() => onOpenChange(false)}>{t('action.done')}</Button>
      </div>
    </Dialog>
  );
}
