import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { clock, dateOf, longDate } from '../lib/time';
import { called } from '../people/people';
import { Button } from '../ui/Button';
import { Dialog } from '../ui/Dialog';
import { TextField } from '../ui/Field';
import { MOST_TIMES } from './offers';
import type { Sheet } from './sheet';
import type { OfferState } from './useOffer';

/** What is offered, to whom and until when, before it goes out. */
export function OfferDialog({ state, sheet, city }: { state: OfferState; sheet: Sheet; city: string }) {
  const { t } = useTranslation();
  const [without, setWithout] = useState<string[]>([]);
  const [untilOn, setUntilOn] = useState('');
  const [words, setWords] = useState('');
  const [on, setOn] = useState(dateOf(sheet.startLocal));
  const [at, setAt] = useState(clock(sheet.startLocal));
  const times = state.gathered;
  const guests = state.guests.filter(({ id }) => !without.includes(id));
  const own = `${on}T${at}:00`;
  const canAdd = on !== '' && at !== '' && times.length < MOST_TIMES && !times.includes(own);
  return (
    <Dialog open={state.sending} onOpenChange={state.setSending} title={t('offer.title')} description={t('offer.about', { city })}>
      <ul aria-label={t('offer.times')} className="border-t border-line">
        {times.map((wall) => (
          <li key={wall} className="flex items-baseline justify-between gap-3 border-b border-line py-1">
            <span>
              {longDate(wall)}, <strong>{clock(wall)}</strong>
            </span>
            <button
              type="button"
              className="changeable text-note"
              aria-label={t('offer.dropNamed', { date: longDate(wall), clock: clock(wall) })}
              onClick={() => state.toggle(wall)}
            >
              {t('offer.drop')}
            </button>
          </li>
        ))}
        {times.length === 0 && <li className="py-1 text-muted">{t('offer.noTimes')}</li>}
      </ul>
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (canAdd) {
            state.toggle(own);
          }
        }}
      >
        <TextField label={t('offer.onDate')} type="date" className="h-9" value={on} onChange={(event) => setOn(event.target.value)} />
        <TextField
          label={t('offer.atTime')}
          type="time"
          className="h-9"
          value={at}
          onChange={(event) => setAt(event.target.value.slice(0, 5))}
        />
        <Button type="submit" disabled={!canAdd}>
          {t('offer.add')}
        </Button>
      </form>
      <fieldset>
        <legend className="text-note font-semibold text-muted">{t('offer.to')}</legend>
        {state.guests.map((person) => (
          <label key={person.id} className="flex min-h-6 items-center gap-2">
            <input
              type="checkbox"
              checked={!without.includes(person.id)}
              onChange={(event) => setWithout(event.target.checked ? without.filter((id) => id !== person.id) : [...without, person.id])}
            />
            <span>
              {called(person)} <span className="text-note text-muted">{person.city ?? t('offer.noPlace')}</span>
            </span>
          </label>
        ))}
      </fieldset>
      <TextField
        label={t('offer.untilOn')}
        type="date"
        value={untilOn}
        hint={t('offer.untilHint')}
        onChange={(event) => setUntilOn(event.target.value)}
      />
      <label className="flex flex-col gap-1">
        <span className="text-note font-semibold text-muted">{t('offer.words')}</span>
        <textarea
          rows={2}
          maxLength={1000}
          className="w-full rounded-md border border-muted bg-sheet px-2.5 py-1.5"
          value={words}
          onChange={(event) => setWords(event.target.value)}
        />
      </label>
      {state.makeError && (
        <p role="alert" className="font-semibold text-broken">
          {state.makeError}
        </p>
      )}
      <div className="flex flex-wrap justify-end gap-2.5">
        <Button onClick={() => state.setSending(false)}>{t('action.cancel')}</Button>
        <Button
          look="main"
          disabled={times.length === 0 || guests.length === 0 || state.isWorking}
          onClick={() => state.make({ times, guests: guests.map(({ id }) => id), untilOn: untilOn === '' ? null : untilOn, words })}
        >
          {t('offer.send', { count: guests.length })}
        </Button>
      </div>
    </Dialog>
  );
}
