import { useTranslation } from 'react-i18next';
import { Button } from './Button';

export function Pager({ page, pages, total, go }: { page: number; pages: number; total: number; go: (page: number) => void }) {
  const { t } = useTranslation();
  if (pages <= 1) {
    return null;
  }
  return (
    <nav aria-label={t('pager.label')} className="flex items-center gap-4 py-4">
      <Button small disabled={page <= 1} onClick={() => go(page - 1)}>
        {t('pager.earlier')}
      </Button>
      <span className="text-muted">{t('pager.where', { page, pages, total })}</span>
      <Button small disabled={page >= pages} onClick={() => go(page + 1)}>
        {t('pager.later')}
      </Button>
    </nav>
  );
}
