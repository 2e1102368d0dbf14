import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { ApiError, sendJson } from '../lib/api';
import { useTell } from '../ui/Notice';
import { meetingQuery, meetingShape, type Meeting } from './meetings';

/** Says that a meeting was sent, with a way back while its mails are held. */
export function useTellSent(meetingId: string) {
  const { t } = useTranslation();
  const tell = useTell();
  const navigate = useNavigate();
  const client = useQueryClient();
  const takeBack = useMutation({
    mutationFn: () => sendJson('POST', `meetings/${meetingId}/take-back`, {}, meetingShape),
    onSuccess: async (now) => {
      client.setQueryData(meetingQuery(meetingId).queryKey, now);
      await client.invalidateQueries();
      await navigate(`/meetings/${meetingId}/plan`);
      tell(t('readBack.takenBack'));
    },
    onError: (error) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }),
  });
  return (now: Meeting) => {
    const seconds = now.holdSeconds ?? 0;
    tell(
      t('readBack.sentNow', { count: now.attendees.length, title: now.title }),
      seconds > 1 ? { seconds, action: { label: t('readBack.takeBack'), run: () => takeBack.mutate() } } : {},
    );
  };
}
