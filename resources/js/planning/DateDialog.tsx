import { useMutation } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { useTranslation } from 'react-i18next';
import { useNavigate } from 'react-router';
import { clock, shortDate } from '../lib/time';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { ErrorNote } from '../ui/ErrorNote';
import { beginChange, type DateRow, type Meeting } from './meetings';

type Reach = 'this' | 'from' | 'all';
const REACHES: Reach[] = ['this', 'from', 'all'];

type DateDialogProps = { meeting: Meeting; date: DateRow; isFirst: boolean; close: () => void };

/** One date of a sent series is to be changed or called off: it alone, it and all later ones, or all of them. */
export function DateDialog({ meeting, date, isFirst, close }: DateDialogProps) {
  const { t } = useTranslation();
  const navigate = useNavigate();
  const name = useId();
  const [reach, setReach] = useState<Reach>('this');
  const changing = useMutation({
    mutationFn: () => beginChange(meeting.id, reach === 'from' && !isFirst ? { from: date.date } : {}),
    onSuccess: (sheet) => navigate(`/meetings/${sheet.id}/plan${reach === 'this' ? `?date=${encodeURIComponent(date.date)}` : ''}`),
  });
  const off = useMutation({
    mutationFn: () => beginChange(meeting.id, reach === 'from' ? { endBefore: date.date } : { drop: [date.local] }),
    onSuccess: (sheet) => navigate(`/meetings/${sheet.id}/read-back`),
  });
  const error = changing.error ?? off.error;
  const isPending = changing.isPending || off.isPending;
  return (
    <Dialog
      open
      onOpenChange={close}
      title={t('dateDialog.title', { title: meeting.title })}
      description={`${shortDate(date.local)}${meeting.allDay ? '' : `, ${clock(date.local)} ${meeting.zoneCity}`}`}
    >
      {error && <ErrorNote error={error} />}
      <fieldset className="flex flex-col gap-1.5">
        <legend className="sr-only">{t('dateDialog.which')}</legend>
        {REACHES.map((one) => (
          <div key={one} className="flex items-baseline gap-2">
            <input id={`${name}-${one}`} type="radio" name={name} checked={reach === one} onChange={() => setReach(one)} />
            <label htmlFor={`${name}-${one}`}>
              <strong>{t(`dateDialog.reach.${one}`)}</strong> <span className="text-muted">{t(`dateDialog.meaning.${one}`)}</span>
            </label>
          </div>
        ))}
      </fieldset>
      <p className="text-note text-muted">{t('dateDialog.readBack')}</p>
      <div className="mt-1 flex flex-wrap justify-end gap-3">
        <Button onClick={close}>{t('action.cancel')}</Button>
        {reach !== 'all' && !(reach === 'from' && isFirst) && (
          <Button look="danger" disabled={isPending} onClick={() => off.mutate()}>
            {t(`dateDialog.off.${reach}`)}
          </Button>
        )}
        <Button look="main" disabled={isPending} onClick={() => changing.mutate()}>
          {t(`dateDialog.change.${reach}`)}
        </Button>
      </div>
    </Dialog>
  );
}
