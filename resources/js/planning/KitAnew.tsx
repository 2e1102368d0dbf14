import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import * as z from 'zod/mini';
import '../lib/i18nPlanning';
import { ApiError, getJson, sendJson } from '../lib/api';
import { Button } from '../ui/Button';
import { Popover } from '../ui/Popover';
import { useTell } from '../ui/Notice';
import { meetingQuery, meetingShape, type Meeting } from './meetings';

const WHAT = ['passcode', 'pin', 'link'] as const;
type What = (typeof WHAT)[number];

const sharingShape = z.object({
  meetings: z.array(z.object({ id: z.string(), title: z.string(), people: z.number(), stale: z.boolean() })),
});

/** Another passcode, PIN or link for a meeting whose people hold one: what it means is said before it is done. */
export function KitAnew({ meeting }: { meeting: Meeting }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const [open, setOpen] = useState(false);
  const [chosen, setChosen] = useState<What[]>(['passcode']);
  const sharing = useQuery({
    queryKey: ['kit-anew', meeting.id],
    queryFn: ({ signal }) => getJson(`meetings/${meeting.id}/kit/anew`, sharingShape, signal),
    enabled: open,
  });
  const anew = useMutation({
    mutationFn: () => sendJson('POST', `meetings/${meeting.id}/kit/anew`, { what: chosen }, meetingShape),
    onSuccess: async (now) => {
      client.setQueryData(meetingQuery(meeting.id).queryKey, now);
      setOpen(false);
      await client.invalidateQueries({ queryKey: ['today'] });
    },
    onError: (error) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }),
  });
  const meetings = sharing.data?.meetings ?? [];
  const people = meetings.reduce((sum, one) => sum + one.people, 0);
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      label={t('kitAnew.open')}
      trigger={
        <button type="button" className="changeable font-medium">
          {t('kitAnew.open')}
        </button>
      }
    >
      <fieldset className="flex flex-col gap-1.5">
        <legend className="mb-1 text-note font-semibold text-muted">{t('kitAnew.what')}</legend>
        {WHAT.filter((what) => what !== 'link' || meeting.joinMode !== 'phone').map((what) => (
          <label key={what} className="flex items-baseline gap-2">
            <input
              type="checkbox"
              checked={chosen.includes(what)}
              onChange={(event) => setChosen(event.target.checked ? [...chosen, what] : chosen.filter((one) => one !== what))}
            />
            {t(`kitAnew.${what}`)}
          </label>
        ))}
      </fieldset>
      {sharing.data && (
        <p className="text-note text-muted">
          {t('kitAnew.holds', { count: people })}{' '}
          {meetings.length > 1 && t('kitAnew.also', { titles: meetings.map(({ title }) => title).join('; ') })}
        </p>
      )}
      <div className="flex justify-end">
        <Button look="main" disabled={anew.isPending || chosen.length === 0 || !sharing.data} onClick={() => anew.mutate()}>
          {t('kitAnew.make')}
        </Button>
      </div>
    </Popover>
  );
}

/** Tells those who hold what no longer opens the room, by one press. */
export function TellKit({ meetingId }: { meetingId: string }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const send = useMutation({
    mutationFn: () => sendJson('POST', `meetings/${meetingId}/kit/tell`, {}, z.extend(meetingShape, { told: z.number() })),
    onSuccess: async ({ told }) => {
      await client.invalidateQueries();
      tell(t('kitAnew.told', { count: told }));
    },
    onError: (error) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }),
  });
  return (
    <Button small disabled={send.isPending} onClick={() => send.mutate()}>
      {t('kitAnew.tell')}
    </Button>
  );
}

/** On a meeting whose people hold a way in that holds no more. */
export function StaleKit({ meeting }: { meeting: Meeting }) {
  const { t } = useTranslation();
  return (
    <div role="status" className="flex flex-wrap items-center gap-x-5 gap-y-1 border-l-4 border-odd bg-sheet px-3 py-2">
      <span className="font-semibold">{t('kitAnew.stale', { count: meeting.attendees.length })}</span>
      <TellKit meetingId={meeting.id} />
    </div>
  );
}
