import { useRef } from 'react';
import type { Offer } from './offer';

export type OwnFileProps = { offer: Offer; give: (file: File) => void; remove: () => void; failed: string | null; disabled: boolean };

/** A calendar file of the guest's own, if they like. Whose calendar is read already gives none. */
export function OwnFile({ offer, give, remove, failed, disabled }: OwnFileProps) {
  const input = useRef<HTMLInputElement>(null);
  if (offer.calendar !== null && !offer.calendar.isOwnFile) {
    return null;
  }
  return (
    <section className="border-t border-line py-4">
      <h2 className="font-semibold">{offer.say['offer_file']}</h2>
      {offer.calendar?.line ? (
        <p className="pt-1">
          {offer.calendar.line}{' '}
          <button type="button" className="changeable min-h-8" disabled={disabled} onClick={remove}>
            {offer.say['offer_file_remove']}
          </button>
        </p>
      ) : (
        <>
          <p className="pt-1 text-muted">{offer.say['offer_file_help']}</p>
          <button
            type="button"
            className="mt-2 min-h-11 rounded-md border-2 border-ink px-4 font-semibold"
            disabled={disabled}
            onClick={() => input.current?.click()}
          >
            {offer.say['offer_file_choose']}
          </button>
        </>
      )}
      <input
        ref={input}
        type="file"
        accept=".ics,.ifb,text/calendar"
        className="sr-only"
        tabIndex={-1}
        aria-label={offer.say['offer_file_choose']}
        onChange={(event) => {
          const file = event.target.files?.[0];
          event.target.value = '';
          if (file) {
            give(file);
          }
        }}
      />
      {failed && (
        <p role="alert" className="pt-2 font-semibold text-broken">
          {failed}
        </p>
      )}
    </section>
  );
}
