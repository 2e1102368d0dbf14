import { useEffect, useId, useState } from 'react';
import { readZones, type Offer, type Zones } from './offer';

/** By which clock the times stand there, and another one for whoever is elsewhere. */
export function OwnZone({ offer, choose }: { offer: Offer; choose: (zone: string) => void }) {
  const id = useId();
  const [open, setOpen] = useState(false);
  const [zones, setZones] = useState<Zones | null>(null);
  useEffect(() => {
    if (open && zones === null) {
      // Without the list the times stay as they are.
      readZones().then(setZones, () => setOpen(false));
    }
  }, [open, zones]);
  const regions = [...new Set((zones ?? []).map(({ region }) => region))];
  return (
    <div className={`my-3 px-3 py-2 ${offer.isAsked ? 'border-s-4 border-ink bg-day text-on-day' : 'bg-paper'}`}>
      <p className={offer.isAsked ? 'font-semibold' : ''}>{offer.zoneLine}</p>
      {open && zones ? (
        <div className="pt-1.5">
          <label htmlFor={id} className="block">
            {offer.say['offer_zone_label']}
          </label>
          <select
            id={id}
            className="mt-1 min-h-11 w-full rounded-md border border-muted bg-sheet px-2 text-ink"
            value={offer.zone}
            onChange={(event) => choose(event.target.value)}
          >
            {!zones.some(({ id }) => id === offer.zone) && <option value={offer.zone}>{offer.zone}</option>}
            {regions.map((region) => (
              <optgroup key={region} label={region}>
                {zones
                  .filter((zone) => zone.region === region)
                  .map((zone) => (
                    <option key={zone.id} value={zone.id}>
                      {zone.city}
                    </option>
                  ))}
              </optgroup>
            ))}
          </select>
        </div>
      ) : (
        <button type="button" className="changeable min-h-8" onClick={() => setOpen(true)}>
          {offer.say['offer_zone_change']}
        </button>
      )}
    </div>
  );
}
