import { useTranslation } from 'react-i18next';
import type { Blocker } from 'react-router';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import type { SheetState } from './useSheet';

/** Asked before what cannot be undone. */
export function DiscardQuestion({
  open,
  onOpenChange,
  pending,
  discard,
  isChange = false,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  pending: boolean;
  discard: () => void;
  /** The sheet of a change: its meeting stays as it was sent. */
  isChange?: boolean;
}) {
  const { t } = useTranslation();
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title={t(isChange ? 'changed.discardTitle' : 'sheet.discardTitle')}
      description={t(isChange ? 'changed.discardText' : 'sheet.discardText')}
    >
      <div className="flex justify-end gap-3">
        <Button onClick={() => onOpenChange(false)}>{t('action.stay')}</Button>
        <Button look="danger" disabled={pending} onClick={discard}>
          {t(isChange ? 'changed.discard' : 'sheet.discard')}
        </Button>
      </div>
    </Dialog>
  );
}

/** More dates than most would mean. */
export function ManyDatesQuestion({ state }: { state: SheetState }) {
  const { t } = useTranslation();
  return (
    <Dialog
      open={state.error?.code === 'many_dates' && !state.sheet.manyAgreed}
      onOpenChange={() => undefined}
      title={t('many.title')}
      description={state.error?.message ?? ''}
    >
      <div className="flex justify-end gap-3">
        <Button onClick={state.undo}>{t('many.back')}</Button>
        <Button look="main" onClick={() => state.change({ manyAgreed: true })}>
          {t('many.keep')}
        </Button>
      </div>
    </Dialog>
  );
}

/** The page is left with something that could not be saved. */
export function LeavingQuestion({ blocker, state }: { blocker: Blocker; state: SheetState }) {
  const { t } = useTranslation();
  return (
    <Dialog
      open={blocker.state === 'blocked' && state.state !== 'waiting'}
      onOpenChange={() => blocker.reset?.()}
      title={t('leaving.title')}
      description={t('leaving.text')}
    >
      <div className="flex justify-end gap-3">
        <Button look="main" onClick={() => blocker.reset?.()}>
          {t('leaving.stay')}
        </Button>
        <Button look="danger" onClick={() => blocker.proceed?.()}>
          {t('leaving.go')}
        </Button>
      </div>
    </Dialog>
  );
}

/** Another window was first. */
export function ConflictQuestion({ state }: { state: SheetState }) {
  const { t } = useTranslation();
  return (
    <Dialog open={state.conflict !== null} onOpenChange={() => undefined} title={t('conflict.title')} description={t('conflict.text')}>
      <p>
        {t('conflict.theirs', {
          title: state.conflict?.title || t('sheet.untitled'),
          when: state.conflict?.sentence.map((piece) => piece.text).join(''),
        })}
      </p>
      <div className="flex justify-end gap-3">
        <Button onClick={state.takeTheirs}>{t('conflict.takeTheirs')}</Button>
        <Button look="main" onClick={state.keepMine}>
          {t('conflict.keepMine')}
        </Button>
      </div>
    </Dialog>
  );
}
