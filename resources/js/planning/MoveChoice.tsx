import { useTranslation } from 'react-i18next';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';

export type Choice = { words: string; differ: number; of: number; dates: boolean; minutes: number };

export type MoveChoiceProps = { choice: Choice | null; close: () => void; take: (as: 'words' | 'dates') => void; pending: boolean };

/** The moved dates are no rule: what the words would mean stands beside what was, and one of the two is chosen. */
export function MoveChoice({ choice, close, take, pending }: MoveChoiceProps) {
  const { t } = useTranslation();
  return (
    <Dialog
      open={choice !== null}
      onOpenChange={(open) => (open ? undefined : close())}
      title={t('moveChoice.title')}
      description={t('moveChoice.text')}
    >
      {choice && (
        <>
          <p>
            <strong>{choice.words}.</strong> {t('moveChoice.differ', { count: choice.differ, of: choice.of })}
          </p>
          <div className="flex flex-wrap justify-end gap-3">
            <Button onClick={close}>{t('action.stay')}</Button>
            {choice.dates && (
              <Button disabled={pending} onClick={() => take('dates')}>
                {t('moveChoice.dates')}
              </Button>
            )}
            <Button look="main" disabled={pending} onClick={() => take('words')}>
              {t('moveChoice.words')}
            </Button>
          </div>
        </>
      )}
    </Dialog>
  );
}
