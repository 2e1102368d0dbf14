import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { sendJson } from '../lib/api';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { ErrorNote } from '../ui/ErrorNote';
import { useTell } from '../ui/Notice';
import { OwnWords } from './OwnWords';
import { meetingQuery, meetingShape, type Meeting } from './meetings';

/** Asks before everybody is told that a meeting will not be held. */
export function CallOffDialog({ meeting, close }: { meeting: Meeting; close: () => void }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const [words, setWords] = useState('');
  const callOff = useMutation({
    mutationFn: () => sendJson('POST', `meetings/${meeting.id}/call-off`, { words }, meetingShape),
    onSuccess: (now) => {
      client.setQueryData(meetingQuery(meeting.id).queryKey, now);
      void client.invalidateQueries();
      close();
      tell(t('meeting.calledOffNow', { count: now.attendees.length }));
    },
  });
  return (
    <Dialog
      open
      onOpenChange={close}
      title={t('meeting.callOffTitle', { title: meeting.title })}
      description={t('meeting.callOffText', { count: meeting.attendees.length, room: meeting.kit ? t('meeting.roomToo') : '' })}
    >
      {callOff.error && <ErrorNote error={callOff.error} />}
      <OwnWords words={words} setWords={setWords} />
      <div className="mt-3 flex justify-end gap-3">
        <Button onClick={close}>{t('action.stay')}</Button>
        <Button look="danger" disabled={callOff.isPending} onClick={() => callOff.mutate()}>
          {t('meeting.callOff')}
        </Button>
      </div>
    </Dialog>
  );
}
