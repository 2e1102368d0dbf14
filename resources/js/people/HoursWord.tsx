import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import '../lib/i18nMore';
import { Button } from '../ui/Button';
import { Popover } from '../ui/Popover';
import { hoursAsTyped, HoursFields, hoursInWords, readHours, unreadableDays } from './HoursFields';
import type { Hours } from './people';

type HoursWordProps = {
  label: string;
  hours: Hours;
  /** Said where there are none. */
  none: string;
  spoken: (hours: string) => string;
  hint?: string | undefined;
  empty?: string | undefined;
  error?: string | undefined;
  pending: boolean;
  /** Whoever may not change them reads plain words. */
  locked?: boolean;
  take: (hours: Hours, done: () => void) => void;
};

/** Hours by weekday in words, which open the fields to change them. */
export function HoursWord({ label, hours, none, spoken, hint, empty, error, pending, locked = false, take }: HoursWordProps) {
  const { t } = useTranslation();
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState(hoursAsTyped(hours));
  const words =
    hoursInWords(hours)
      .map(({ from, to, hours: of }) => `${from === to ? t(`weekday.${from}`) : `${t(`weekday.${from}`)}–${t(`weekday.${to}`)}`} ${of}`)
      .join('; ') || none;
  if (locked) {
    return <strong>{words}</strong>;
  }
  return (
    <Popover
      open={open}
      onOpenChange={(next) => {
        setTyped(hoursAsTyped(hours));
        setOpen(next);
      }}
      label={label}
      trigger={
        <button type="button" className="changeable text-left" aria-label={spoken(words)}>
          {words}
        </button>
      }
    >
      <HoursFields hours={typed} change={setTyped} hint={hint} empty={empty} />
      {error && (
        <p role="alert" className="font-semibold text-broken">
          {error}
        </p>
      )}
      <div className="flex justify-end">
        <Button
          look="main"
          disabled={pending || unreadableDays(typed).length > 0}
          onClick={() => take(readHours(typed), () => setOpen(false))}
        >
          {t('action.keep')}
        </Button>
      </div>
    </Popover>
  );
}
