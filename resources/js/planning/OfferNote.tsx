import { useTranslation } from 'react-i18next';
import { clock, dayMonth } from '../lib/time';
import type { Offer } from './offers';

/** That times are offered, and how many have answered. */
export function OfferNote({ offer, open }: { offer: Offer; open: () => void }) {
  const { t } = useTranslation();
  const answered = offer.guests.filter(({ answeredLocal }) => answeredLocal !== null).length;
  return (
    <p role="status" className="mx-5 my-2 flex flex-wrap items-baseline gap-x-4 border-l-4 border-ink bg-sheet px-3 py-1">
      <span>
        <strong>{t('offer.note', { count: offer.times.length })}</strong>{' '}
        {t('offer.answered', { count: answered, of: offer.guests.length })}{' '}
        {t(offer.isLate ? 'offer.wasUntil' : 'offer.until', { date: dayMonth(offer.untilLocal), clock: clock(offer.untilLocal) })}
      </span>
      <button type="button" className="changeable font-semibold" onClick={open}>
        {t('offer.look')}
      </button>
    </p>
  );
}
