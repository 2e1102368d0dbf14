import { useEffect, useRef, type KeyboardEvent } from 'react';
import { useTranslation } from 'react-i18next';
import { clock, dayMonth, listed, longDate } from '../lib/time';
import { Button } from '../ui/Button';
import type { Offer, OfferTime } from './offers';
import type { Sheet } from './sheet';
import type { OfferState } from './useOffer';

/** Up and Down walk the times, Escape leaves. Taking one sends the meeting, so that is pressed for. */
function useWalk(state: OfferState) {
  return (event: KeyboardEvent<HTMLDivElement>) => {
    const items = [...event.currentTarget.querySelectorAll<HTMLButtonElement>('[data-offered]')];
    const at = items.findIndex((one) => one === document.activeElement);
    if (event.key === 'Escape') {
      event.preventDefault();
      state.setOpen(false);
    } else if (at >= 0 && (event.key === 'ArrowDown' || event.key === 'ArrowUp')) {
      event.preventDefault();
      items[Math.max(0, Math.min(items.length - 1, at + (event.key === 'ArrowDown' ? 1 : -1)))]?.focus();
    }
  };
}

export type OfferPanelProps = { state: OfferState; offer: Offer; sheet: Sheet; city: string };

/** How a time-offer round stands: its times, the best first, who said what, and how it is ended. */
export function OfferPanel({ state, offer, sheet, city }: OfferPanelProps) {
  const { t } = useTranslation();
  const walk = useWalk(state);
  const body = useRef<HTMLDivElement>(null);
  useEffect(() => body.current?.querySelector<HTMLButtonElement>('[data-offered]')?.focus(), []);
  const names = new Map(offer.guests.map(({ id, name }) => [id, name]));
  const named = (ids: string[]) => listed(ids.flatMap((id) => names.get(id) ?? []));
  const saying = (time: OfferTime) =>
    (['accepted', 'tentative', 'declined', 'awaiting'] as const).flatMap((said) =>
      time[said].length > 0 ? [t(`offer.said.${said}`, { names: named(time[said]), count: time[said].length })] : [],
    );
  const answered = offer.guests.filter(({ answeredLocal }) => answeredLocal !== null).length;
  const until = t(offer.isLate ? 'offer.wasUntil' : 'offer.until', { date: dayMonth(offer.untilLocal), clock: clock(offer.untilLocal) });

  return (
    <div ref={body} role="group" aria-label={t('offer.label')} onKeyDown={walk} className="flex flex-col gap-3">
      <p className="text-note text-muted">
        {t('offer.answered', { count: answered, of: offer.guests.length })} {until}
        {offer.minutes !== sheet.durationMinutes && (
          <strong className="block text-odd">{t('offer.otherLength', { was: offer.minutes, now: sheet.durationMinutes })}</strong>
        )}
      </p>
      <section aria-label={t('offer.times')}>
        <ul className="border-t border-line">
          {offer.times.map((time) => {
            const isMarked = state.marked?.id === time.id;
            return (
              <li
                key={time.id}
                className={`border-b border-l-4 border-b-line ${isMarked ? 'border-l-ink bg-day' : 'border-l-transparent'}`}
              >
                <button
                  type="button"
                  data-offered={time.wall}
                  aria-current={isMarked || undefined}
                  onFocus={() => state.mark(time)}
                  onClick={() => state.mark(time)}
                  className="block w-full px-2.5 py-1.5 text-left"
                >
                  <strong className="block text-[0.9375rem]">
                    {longDate(time.wall)}, {clock(time.wall)} {city}
                  </strong>
                  {saying(time).map((line) => (
                    <span key={line} className={`block text-note ${isMarked ? '' : 'text-muted'}`}>
                      {line}
                    </span>
                  ))}
                </button>
              </li>
            );
          })}
        </ul>
      </section>
      <section aria-label={t('offer.guests')}>
        <h2 className="pb-1 text-note font-semibold text-muted">{t('offer.guests')}</h2>
        <ul className="border-t border-line text-note">
          {offer.guests.map((guest) => (
            <li key={guest.id} className="border-b border-line py-1">
              <span className="font-semibold">{guest.name}</span>{' '}
              <span className="text-muted">
                {guest.answeredLocal
                  ? t('offer.answeredAt', { date: dayMonth(guest.answeredLocal), clock: clock(guest.answeredLocal) })
                  : t('offer.silent')}
                {guest.city === null ? `, ${t('offer.noPlace')}` : `, ${guest.city}`}
              </span>
              {(guest.mail === 'refused' || guest.mail === 'given_up') && (
                <span className="block font-semibold text-broken">{t('offer.refused', { why: guest.outcome ?? '' })}</span>
              )}
              {guest.comment && (
                <q className="block" dir="auto">
                  {guest.comment}
                </q>
              )}{' '}
              {!offer.isLate && (
                <button type="button" className="changeable" disabled={state.isWorking} onClick={() => state.again(guest.id)}>
                  {t('offer.again')}
                </button>
              )}
            </li>
          ))}
        </ul>
      </section>
      <p>
        <Button look="quiet" disabled={state.isWorking} onClick={state.withdraw}>
          {t('offer.withdraw')}
        </Button>
      </p>
    </div>
  );
}
