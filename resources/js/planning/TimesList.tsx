import { useEffect, useRef, useState, type KeyboardEvent } from 'react';
import { useTranslation } from 'react-i18next';
import { first, type People } from '../overlap/words';
import { ErrorNote } from '../ui/ErrorNote';
import { keyOf, type Marked } from './times';
import { freeWords, priceWords, rotaWords, titleOf, type Told } from './timesWords';
import type { OfferState } from './useOffer';
import type { TimesState } from './useTimes';

/** Up and Down walk the times, Enter takes the one that has the focus, O gathers it for an offer, Escape leaves. */
function useWalk(state: TimesState, offer: OfferState) {
  return (event: KeyboardEvent<HTMLDivElement>) => {
    const items = [...event.currentTarget.querySelectorAll<HTMLButtonElement>('[data-time]')];
    const at = items.findIndex((one) => one === document.activeElement);
    if (event.key === 'Escape') {
      event.preventDefault();
      state.close();
    } else if (event.key === 'ArrowDown' || event.key === 'ArrowUp') {
      event.preventDefault();
      items[Math.max(0, Math.min(items.length - 1, at + (event.key === 'ArrowDown' ? 1 : -1)))]?.focus();
    } else if (event.key === 'Home' || event.key === 'End') {
      event.preventDefault();
      items[event.key === 'Home' ? 0 : items.length - 1]?.focus();
    } else if (event.key === 'o' && at >= 0 && offer.canOffer && state.marked?.kind === 'time') {
      event.preventDefault();
      offer.toggle(state.marked.time.wall);
    } else if (event.key === 'Enter' && at >= 0 && state.marked) {
      event.preventDefault();
      void state.take(state.marked);
    }
  };
}

type ItemProps = { one: Marked; state: TimesState; offer: OfferState; title: string; text: string[] };

function Item({ one, state, offer, title, text }: ItemProps) {
  const { t } = useTranslation();
  const isMarked = state.marked !== undefined && keyOf(state.marked) === keyOf(one);
  const ways = one.kind === 'time' ? state.waysOf(one.time) : [];
  const wall = one.kind === 'time' && offer.canOffer ? one.time.wall : null;
  const isGathered = wall !== null && offer.gathered.includes(wall);
  const hasWays = isMarked && (ways.length > 0 || wall !== null);
  const isNear = one.kind === 'time' && one.time.clashDates > 0;
  return (
    <li
      className={`border-b border-line ${isMarked ? 'border-l-4 border-l-ink bg-day' : isNear ? 'border-l-4 border-l-odd' : 'border-l-4 border-l-transparent'}`}
    >
      <button
        type="button"
        data-time={keyOf(one)}
        aria-current={isMarked || undefined}
        onFocus={() => state.mark(one)}
        onClick={() => state.mark(one)}
        className={`block w-full px-2.5 pt-1.5 text-left ${hasWays || isGathered ? 'pb-0.5' : 'pb-1.5'}`}
      >
        <strong className="block text-[0.9375rem]">{title}</strong>
        <span className={`block text-note ${isMarked ? '' : 'text-muted'}`}>{text.join(' ')}</span>
      </button>
      {(hasWays || isGathered) && (
        <p className="flex flex-wrap gap-x-3 gap-y-0.5 px-2.5 pb-2 text-note">
          {wall !== null && (
            <button type="button" aria-pressed={isGathered} className="changeable font-semibold" onClick={() => offer.toggle(wall)}>
              {t(isGathered ? 'offer.gathered' : 'offer.gather')}
            </button>
          )}
          {isMarked &&
            ways.map(({ way, text: words }) => (
              <button
                key={words}
                type="button"
                className="changeable font-semibold"
                disabled={state.isTaking}
                onClick={() => void state.take(one, way)}
              >
                {words}
              </button>
            ))}
        </p>
      )}
    </li>
  );
}

export type TimesListProps = { state: TimesState; offer: OfferState; told: Told | null; people: People };

/** Better times with their reasons, beside the board: a list with its own focus. */
export function TimesList({ state, offer, told, people }: TimesListProps) {
  const { t } = useTranslation();
  const walk = useWalk(state, offer);
  const body = useRef<HTMLDivElement>(null);
  const [ordered, setOrdered] = useState(false);
  const isThere = told !== null;
  useEffect(() => {
    if (isThere) {
      const items = body.current?.querySelectorAll<HTMLButtonElement>('[data-time]');
      (items?.[1] ?? items?.[0])?.focus();
    }
  }, [isThere]);

  if (!told) {
    return state.times.error ? (
      <ErrorNote error={state.times.error} retry={() => void state.times.refetch()} />
    ) : (
      <p role="status" className="text-muted">
        {t('fits.looking')}
      </p>
    );
  }
  const { times } = told;
  const group = (title: string, list: Marked[]) =>
    list.length > 0 && (
      <section aria-label={title}>
        <h2 className="pb-1 text-note font-semibold text-muted">{title}</h2>
        <ul className="border-t border-line">
          {list.map((one) => (
            <Item
              key={keyOf(one)}
              one={one}
              state={state}
              offer={offer}
              title={
                one.kind === 'rota' ? t(`fits.rota.title_${one.rota.times.length === 2 ? 'two' : 'three'}`) : titleOf(t, told, one.time)
              }
              text={one.kind === 'rota' ? rotaWords(t, told, one.rota) : [freeWords(t, told, one.time), ...priceWords(t, told, one.time)]}
            />
          ))}
        </ul>
      </section>
    );
  const timesOf = (list: typeof times.held): Marked[] => list.map((time) => ({ kind: 'time', time }));
  return (
    <div
      ref={body}
      onKeyDown={walk}
      className="flex flex-col gap-3"
      aria-busy={state.times.isPlaceholderData}
      aria-label={t('fits.label')}
      role="group"
    >
      {group(t('fits.present'), timesOf([times.present]))}
      {group(t('fits.held'), timesOf(times.held))}
      {times.held.length + times.nearly.length === 0 && <p>{t('fits.none')}</p>}
      {times.holding === 0 && times.looked > 0 && <p className="text-note">{t('fits.noneHolds')}</p>}
      {group(t('fits.nearly'), timesOf(times.nearly))}
      {times.openings.length > 0 && (
        <section aria-label={t('fits.opens')}>
          <h2 className="pb-1 text-note font-semibold text-muted">{t('fits.opens')}</h2>
          <ul className="text-note">
            {times.openings.map((opening) => {
              const id = opening.without === null ? undefined : times.people[opening.without];
              return (
                <li key={id ?? 'shorter'} className="py-0.5">
                  {id
                    ? t('fits.open.without', { name: first(people, id), count: opening.times })
                    : t('fits.open.shorter', { minutes: opening.minutes, count: opening.times })}{' '}
                  <button
                    type="button"
                    className="changeable font-semibold"
                    onClick={() => (id ? state.makeOptional(id) : state.shorten(opening.minutes ?? 15))}
                  >
                    {id ? t('fits.open.optional', { name: first(people, id) }) : t('fits.open.shorten')}
                  </button>
                </li>
              );
            })}
          </ul>
        </section>
      )}
      {times.rota && group(t('fits.unfair'), [{ kind: 'rota', rota: times.rota }])}
      <div className="text-note text-muted">
        <p>
          {t('fits.searched', {
            count: times.looked,
            days: t(times.days[0] === times.days[1] ? 'fits.days.same' : times.anyDay ? 'fits.days.any' : 'fits.days.work'),
            ms: times.milliseconds,
          })}{' '}
          {times.days[0] !== times.days[1] && (
            <button type="button" className="changeable" onClick={() => state.setAnyDay(!state.anyDay)}>
              {t(times.anyDay ? 'fits.workDays' : 'fits.anyDay')}
            </button>
          )}{' '}
          <button type="button" className="changeable" aria-expanded={ordered} onClick={() => setOrdered(!ordered)}>
            {t('fits.order')}
          </button>
        </p>
        {ordered && <p className="pt-1">{t('fits.orderLong')}</p>}
      </div>
    </div>
  );
}
