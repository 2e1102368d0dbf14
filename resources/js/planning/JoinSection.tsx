import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useTranslation } from 'react-i18next';
import '../lib/i18nRoom';
import { summaryWords } from '../joining/words';
import { ApiError, sendJson } from '../lib/api';
import { usePlans } from '../people/session';
import { Button } from '../ui/Button';
import { SelectField, TextField } from '../ui/Field';
import { useOpenEntry } from './entries';
import { HeldIn } from './HeldIn';
import { hasKit, kitShape, meetingQuery, type Kit, type Meeting } from './meetings';
import type { RoomState } from './useRoom';
import type { SectionProps } from './WhatSection';

type JoinSectionProps = SectionProps & {
  meeting: Meeting;
  room: RoomState;
  /** Opens who gets in. */
  open: () => void;
};

/** How to join: online with a kit from the bridge, at a place, or both. */
export function JoinSection({ sheet, change, meeting, room, open }: JoinSectionProps) {
  const { t } = useTranslation();
  const client = useQueryClient();
  const plans = usePlans();
  const [made, setKit] = useState<Kit | null>(null);
  // Where the conferencing service was away, the room comes later by itself.
  const wantedOf = sheet.room.standing ? sheet.hostId : null;
  // What is not kept yet is not known there either: which room it is follows a moment later.
  const isKept = meeting.room.standing === sheet.room.standing && meeting.hostId === sheet.hostId;
  const kit = [made, meeting.kit].find((one) => one?.standingOf === wantedOf) ?? null;
  const [passcode, setPasscode] = useState<string | null>(null);
  const field = useRef<HTMLInputElement>(null);
  const online = hasKit(sheet.joinMode);
  const link = sheet.joinMode !== 'phone';
  const asks = room.values?.passcode !== false;
  const make = useMutation({
    // Without a word, the kit it has or one made now; else another passcode, typed or made up.
    mutationFn: (typed: string | null) =>
      sendJson('POST', `meetings/${meeting.id}/kit`, typed === null ? {} : { passcode: typed, change: true }, kitShape),
    onSuccess: (now) => {
      setKit(now);
      setPasscode(null);
      void client.invalidateQueries({ queryKey: meetingQuery(meeting.id).queryKey });
    },
  });
  useOpenEntry(passcode !== null && kit !== null && passcode !== kit.passcode, () =>
    make.mutateAsync(passcode ?? '').then(
      () => true,
      () => {
        field.current?.focus();
        return false;
      },
    ),
  );
  const error = make.error instanceof ApiError ? (make.error.field('passcode') ?? make.error.message) : undefined;

  // A sheet that is online from the start, such as a copy, gets its own room.
  const wanted = online && !kit && isKept;
  const ask = make.mutate;
  useEffect(() => {
    if (wanted) {
      ask(null);
    }
  }, [wanted, ask]);

  return (
    <section id="join-mode" aria-labelledby="join" className="flex flex-col gap-2">
      <h2 id="join" className="text-note font-semibold text-muted">
        {t('sheet.join')}
      </h2>
      <SelectField
        label={t('sheet.join')}
        hideLabel
        value={sheet.joinMode}
        onChange={(event) => change({ joinMode: event.target.value as Meeting['joinMode'] })}
      >
        {(['undecided', 'online', 'in_person', 'both', 'phone'] as const).map((mode) => (
          <option key={mode} value={mode}>
            {t(`join.${mode}`)}
          </option>
        ))}
      </SelectField>
      {(sheet.joinMode === 'in_person' || sheet.joinMode === 'both') && (
        <div id="place">
          <TextField
            label={t('join.place')}
            value={sheet.place}
            maxLength={300}
            placeholder={t('join.placeHint')}
            onChange={(event) => change({ place: event.target.value })}
          />
        </div>
      )}
      {online && plans && <HeldIn sheet={sheet} meeting={meeting} room={room} />}
      {online && make.isPending && !kit && <p role="status">{t('join.asking')}</p>}
      {online && kit && (
        <div className="border-t border-line pt-1">
          {link && <p className="break-all">{kit.link}</p>}
          <p hidden={!link}>
            {t('join.number', { number: kit.number })}
            {', '}
            {t('join.passcode')}{' '}
            <button
              type="button"
              className="changeable printed font-semibold"
              aria-label={t('join.changePasscode', { passcode: kit.passcode })}
              onClick={() => setPasscode(kit.passcode)}
            >
              {kit.passcode}
            </button>{' '}
            <span className="text-note text-muted">
              {asks ? t(`join.strength.${kit.strength.is}`, { count: kit.strength.bits }) : t('join.notAsked')}
            </span>
          </p>
          <p className="text-note text-muted">
            {t('entryRules.phones.count', { count: room.data?.phones.length ?? 0 })}
            {asks && `; ${t('entryRules.phones.pinToo', { pin: kit.pin })}`}
          </p>
          {!kit.settled && (
            <p role="status" className="font-semibold text-odd">
              {t('join.unsettled')}
            </p>
          )}
          {passcode !== null && (
            <form
              className="mt-2 flex items-end gap-2"
              onSubmit={(event) => {
                event.preventDefault();
                make.mutate(passcode);
              }}
            >
              <TextField
                label={t('join.passcodeNew')}
                ref={field}
                autoFocus
                autoComplete="off"
                value={passcode}
                error={error}
                onChange={(event) => setPasscode(event.target.value)}
              />
              <Button small type="submit" disabled={make.isPending}>
                {t('action.take')}
              </Button>
              <Button look="quiet" onClick={() => make.mutate('')}>
                {t('join.makeUp')}
              </Button>
            </form>
          )}
        </div>
      )}
      {online && room.values && (
        <p>
          {summaryWords(t, room.values)}{' '}
          <Button look="quiet" onClick={open}>
            {t('entryRules.open')}
          </Button>
        </p>
      )}
      {online && room.data && room.data.conflicts.length > 0 && (
        <ul className="font-semibold text-odd">
          {room.data.conflicts.map(({ kind, facts }, at) => (
            <li key={`${kind} ${facts['country'] ?? at}`}>{t(`entryRules.conflict.${kind}.title`, facts)}.</li>
          ))}
        </ul>
      )}
      {online && !kit && error && (
        <div role="alert">
          <p className="font-semibold text-broken">{error}</p>
          <Button look="quiet" onClick={() => make.mutate(null)}>
            {t('failure.again')}
          </Button>
        </div>
      )}
    </section>
  );
}
