import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { Link } from 'react-router';
import * as z from 'zod/mini';
import '../lib/i18nPlanning';
import '../lib/i18nRoom';
import { holdersShape } from '../joining/room';
import { ApiError, getJson, sendJson } from '../lib/api';
import type { Live } from '../lib/useLive';
import { Part } from '../people/Part';
import { Button } from '../ui/Button';
import { TextField } from '../ui/Field';
import { useTell } from '../ui/Notice';
import { Popover } from '../ui/Popover';
import { holderNames } from './HeldIn';

const shape = z.object({
  kit: z.nullable(
    z.object({
      link: z.string(),
      number: z.string(),
      passcode: z.string(),
      pin: z.string(),
      address: z.nullable(z.string()),
      settled: z.boolean(),
    }),
  ),
  holders: holdersShape,
  count: z.number(),
  meetings: z.array(z.object({ id: z.string(), title: z.string(), onLocal: z.nullable(z.string()), stale: z.boolean() })),
});

const WHAT = ['passcode', 'pin', 'link'] as const;

/** On a person's page: the room that they keep for many meetings, who holds its link, and ways to make it anew. */
export function StandingRoom({ personId }: { personId: string }) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const key = ['standing-room', personId];
  const { data } = useQuery({
    queryKey: key,
    queryFn: ({ signal }) => getJson(`people/${personId}/room`, shape, signal),
    meta: { live: { topics: ['meeting'] } satisfies Live },
  });
  const make = useMutation({
    mutationFn: (what: string[]) => sendJson('POST', `people/${personId}/room`, { what }, shape),
    onSuccess: (now, what) => {
      client.setQueryData(key, now);
      if (what.length > 0) {
        tell(t('entryRules.standing.freshDone'));
      }
    },
    onError: (error) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }),
  });
  const [isAnew, setAnew] = useState(false);
  if (!data) {
    return null;
  }
  const { kit } = data;
  return (
    <Part title={t('entryRules.standing.title')}>
      {kit === null ? (
        <p className="text-muted">
          {t('entryRules.standing.none')}{' '}
          <Button look="quiet" disabled={make.isPending} onClick={() => make.mutate([])}>
            {t('entryRules.standing.open')}
          </Button>
        </p>
      ) : (
        <>
          <p className="break-all">{kit.link}</p>
          <p>
            {t('join.number', { number: kit.number })}, {t('join.passcode')} <strong>{kit.passcode}</strong>,{' '}
            {t('entryRules.phones.pinToo', { pin: kit.pin })}
          </p>
          {!kit.settled && (
            <p role="status" className="font-semibold text-odd">
              {t('join.unsettled')}
            </p>
          )}
          <p>
            <Address key={kit.address} personId={personId} address={kit.address} kept={(now) => client.setQueryData(key, now)} />{' '}
            <Popover
              open={isAnew}
              onOpenChange={setAnew}
              label={t('entryRules.standing.anew')}
              trigger={
                <button type="button" className="changeable ml-3 font-medium">
                  {t('entryRules.standing.anew')}
                </button>
              }
            >
              <div className="flex flex-col items-start gap-2">
                <p>{t('entryRules.standing.holders', { count: data.holders.count, names: holderNames(t, data.holders) })}</p>
                {WHAT.map((what) => (
                  <Button
                    key={what}
                    look="quiet"
                    disabled={make.isPending}
                    onClick={() => {
                      make.mutate([what]);
                      setAnew(false);
                    }}
                  >
                    {t(`kitAnew.${what}`)}
                  </Button>
                ))}
              </div>
            </Popover>
          </p>
          <p className="mt-1">{t('entryRules.standing.meetings', { count: data.count })}</p>
          <ul>
            {data.meetings.map((meeting) => (
              <li key={meeting.id}>
                <Link className="changeable" to={`/meetings/${meeting.id}`}>
                  {meeting.title}
                </Link>
                {meeting.stale && <span className="font-semibold text-odd">, {t('entryRules.standing.stale')}</span>}
              </li>
            ))}
          </ul>
        </>
      )}
    </Part>
  );
}

type AddressProps = { personId: string; address: string | null; kept: (now: z.infer<typeof shape>) => void };

/** The last part of the link, of their own choosing. */
function Address({ personId, address, kept }: AddressProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState(address ?? '');
  const keep = useMutation({
    mutationFn: (wanted: string | null) => sendJson('PUT', `people/${personId}/room/address`, { address: wanted }, shape),
    onSuccess: (now) => {
      kept(now);
      setOpen(false);
    },
  });
  const error = keep.error instanceof ApiError ? (keep.error.field('address') ?? keep.error.message) : undefined;
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      label={t('entryRules.standing.addressChange')}
      trigger={
        <button type="button" className="changeable font-medium">
          {t('entryRules.standing.addressChange')}
        </button>
      }
    >
      <form
        className="flex w-64 flex-col gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          keep.mutate(typed.trim().toLowerCase());
        }}
      >
        <TextField
          label={t('entryRules.standing.address')}
          hint={t('entryRules.standing.addressHint')}
          autoFocus
          autoComplete="off"
          maxLength={40}
          value={typed}
          error={error}
          onChange={(event) => setTyped(event.target.value)}
        />
        <div className="flex justify-between">
          {address !== null && (
            <Button look="quiet" disabled={keep.isPending} onClick={() => keep.mutate(null)}>
              {t('entryRules.standing.addressNone')}
            </Button>
          )}
          <Button look="main" type="submit" disabled={keep.isPending || typed.trim() === ''}>
            {t('action.keep')}
          </Button>
        </div>
      </form>
    </Popover>
  );
}
