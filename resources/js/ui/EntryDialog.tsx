import type { ReactNode } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError } from '../lib/api';
import { Button } from './Button';
import { Dialog } from './Dialog';

type EntryDialogProps = {
  title: string;
  description?: string;
  keep: () => void;
  /** What became of the last try; what a field is to blame for stands at that field. */
  error: Error | null;
  disabled: boolean;
  close: () => void;
  /** The fields. */
  children: ReactNode;
};

/** A few fields that are kept together, or left as they were. */
export function EntryDialog({ title, description, keep, error, disabled, close, children }: EntryDialogProps) {
  const { t } = useTranslation();
  const isOfField = error instanceof ApiError && Object.keys(error.errors).length > 0;
  return (
    <Dialog open onOpenChange={close} title={title} {...(description === undefined ? {} : { description })}>
      <form
        noValidate
        className="flex flex-col gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          keep();
        }}
      >
        {children}
        {error && !isOfField && (
          <p role="alert" className="font-semibold text-broken">
            {error instanceof ApiError ? error.message : t('failure.unexpected')}
          </p>
        )}
        <div className="flex justify-end gap-3">
          <Button onClick={close}>{t('action.stay')}</Button>
          <Button look="main" type="submit" disabled={disabled}>
            {t('action.keep')}
          </Button>
        </div>
      </form>
    </Dialog>
  );
}
