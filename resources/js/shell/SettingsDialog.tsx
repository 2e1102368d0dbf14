import '../lib/i18nMore';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { ApiError, sendJson } from '../lib/api';
import { OwnAddress } from '../people/OwnAddress';
import { sessionQuery, sessionShape, type Session } from '../people/session';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { useTell } from '../ui/Notice';
import { ZonePicker } from '../ui/ZonePicker';

const MOST_CLOCKS = 3;

/** What belongs to the one who is signed in: their zone, the clocks above, the single keys. */
export function SettingsDialog({
  session,
  open,
  onOpenChange,
}: {
  session: Session;
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  const { t } = useTranslation();
  const tell = useTell();
  const client = useQueryClient();
  const [choosing, setChoosing] = useState<'zone' | 'clock' | null>(null);
  const others = (session.clocks ?? []).slice(1);
  const change = useMutation({
    mutationFn: (next: Record<string, unknown>) => sendJson('PATCH', 'session', next, sessionShape),
    onSuccess: (now) => {
      client.setQueryData(sessionQuery.queryKey, now);
      setChoosing(null);
    },
    onError: (error) => tell(error instanceof ApiError ? error.message : t('failure.unexpected'), { tone: 'broken' }),
  });
  return (
    <Dialog open={open} onOpenChange={onOpenChange} title={t('me.settings')}>
      <p>
        {t('settings.zone')}{' '}
        <Button look="quiet" onClick={() => setChoosing('zone')}>
          {session.zoneCity}
        </Button>
      </p>
      <div>
        <p>{t('settings.clocks')}</p>
        <ul>
          {others.map((clock) => (
            <li key={clock.zone} className="flex justify-between border-t border-line py-1.5">
              {clock.city}
              <Button
                look="quiet"
                aria-label={t('settings.removeClock', { city: clock.city })}
                onClick={() => change.mutate({ clocks: others.filter((one) => one.zone !== clock.zone).map((one) => one.zone) })}
              >
                {t('sheet.remove')}
              </Button>
            </li>
          ))}
        </ul>
        {others.length < MOST_CLOCKS && (
          <Button look="quiet" onClick={() => setChoosing('clock')}>
            {t('settings.addClock')}
          </Button>
        )}
      </div>
      {choosing && (
        <ZonePicker
          label={t('zone.label')}
          value={choosing === 'zone' ? (session.zone ?? null) : null}
          onChoose={(zone) => change.mutate(choosing === 'zone' ? { zone } : { clocks: [...others.map((one) => one.zone), zone] })}
        />
      )}
      {session.account && <OwnAddress account={session.account} />}
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          checked={session.account?.shortcuts ?? true}
          onChange={(event) => change.mutate({ shortcuts: event.target.checked })}
        />
        {t('settings.shortcuts')}
      </label>
      <div className="flex justify-end">
        <Button onClick={() => onOpenChange(false)}>{t('action.done')}</Button>
      </div>
    </Dialog>
  );
}
