import { useTranslation } from 'react-i18next';
import { ApiError } from '../lib/api';
import { Button } from './Button';

/** What went wrong, in words, and the way to try again. */
export function ErrorNote({ error, retry }: { error: unknown; retry?: () => void }) {
  const { t } = useTranslation();
  return (
    <div role="alert" className="border-l-4 border-broken bg-sheet px-4 py-3">
      <p className="font-semibold">{error instanceof ApiError ? error.message : t('failure.unexpected')}</p>
      {retry && (
        <Button look="quiet" onClick={retry}>
          {t('failure.again')}
        </Button>
      )}
    </div>
  );
}
