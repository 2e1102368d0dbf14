import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { zonesQuery } from '../lib/zones';
import { offsetText } from '../lib/time';
import { TextField } from './Field';

const SHOWN = 60;
const plain = (text: string) =>
  text
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase();

/** Finds a zone by its city or its name. */
export function ZonePicker({ value, onChoose, label }: { value: string | null; onChoose: (zone: string) => void; label: string }) {
  const { t } = useTranslation();
  const { data: zones = [] } = useQuery(zonesQuery);
  const [typed, setTyped] = useState('');
  const found = zones.filter((zone) => plain(`${zone.city} ${zone.id.replaceAll('_', ' ')}`).includes(plain(typed)));
  return (
    <div className="flex flex-col gap-2">
      <TextField label={label} autoFocus value={typed} placeholder={t('zone.search')} onChange={(event) => setTyped(event.target.value)} />
      <ul className="max-h-60 overflow-y-auto" aria-label={label}>
        {found.slice(0, SHOWN).map((zone) => (
          <li key={zone.id}>
            <button
              type="button"
              aria-pressed={zone.id === value}
              className={`flex w-full justify-between gap-3 border-b border-line px-1 py-1.5 text-left hover:bg-paper ${zone.id === value ? 'font-semibold' : ''}`}
              onClick={() => onChoose(zone.id)}
            >
              <span>
                {zone.city} <span className="text-muted">{zone.region}</span>
              </span>
              <span className="text-muted">{offsetText(zone.offset)}</span>
            </button>
          </li>
        ))}
        {found.length === 0 && <li className="py-2 text-muted">{t('zone.none')}</li>}
        {found.length > SHOWN && <li className="py-2 text-note text-muted">{t('zone.more', { count: found.length - SHOWN })}</li>}
      </ul>
    </div>
  );
}
