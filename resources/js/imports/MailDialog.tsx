import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { ApiError } from '../lib/api';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { useTell } from '../ui/Notice';
import { MOST_OF_MAIL, openMail } from './mailFiles';

/** A mail from a thread opens as a draft with its people. */
export function MailDialog({ file, close }: { file: File; close: () => void }) {
  const { t } = useTranslation();
  const tell = useTell();
  const navigate = useNavigate();
  const tooLarge = file.size > MOST_OF_MAIL;
  const toSheet = (id: string) => {
    close();
    tell(t('import.mailOpened', { file: file.name }));
    void navigate(`/meetings/${id}/plan`);
  };
  const open = useMutation({
    mutationFn: () => openMail(file),
    onSuccess: ({ meeting, notes }) => {
      if (notes.length === 0) {
        toSheet(meeting.id);
      }
    },
  });
  const started = useRef(false);
  const { mutate } = open;
  useEffect(() => {
    if (!tooLarge && !started.current) {
      started.current = true;
      mutate();
    }
  }, [tooLarge, mutate]);
  const said = tooLarge
    ? t('import.mailTooLarge')
    : open.error instanceof ApiError
      ? (open.error.field('file') ?? open.error.message)
      : open.error
        ? t('failure.unexpected')
        : null;
  return (
    <Dialog open onOpenChange={close} title={t('import.title', { file: file.name })}>
      {said && (
        <p role="alert" className="border-l-4 border-broken pl-3 font-semibold">
          {said}
        </p>
      )}
      {!said && !open.data && <p role="status">{t('import.reading')}</p>}
      {open.data && open.data.notes.length > 0 && (
        <>
          <p className="text-muted">{t('import.notes')}</p>
          <ul className="flex list-disc flex-col gap-1 pl-5">
            {open.data.notes.map((note) => (
              <li key={note}>{note}</li>
            ))}
          </ul>
        </>
      )}
      <div className="flex justify-end gap-3">
        {open.data ? (
          <Button look="main" autoFocus onClick={() => toSheet(open.data.meeting.id)}>
            {t('import.toSheet')}
          </Button>
        ) : (
          <Button onClick={close}>{t('action.cancel')}</Button>
        )}
      </div>
    </Dialog>
  );
}
