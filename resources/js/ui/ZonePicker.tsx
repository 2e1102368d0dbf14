import { useQuery } from '@tanstack/react-query';
import { Command } from 'cmdk';
import { useState } from 'react';
import { useTranslation } from 'react-i18next';
import { zonesQuery } from '../lib/zones';
import { offsetText } from '../lib/time';

const SHOWN = 60;
const plain = (text: string) =>
  text
    .normalize('NFD')
    .replace(/[\u0300-\u036f]/g, '')
    .toLowerCase();

/** Finds a zone by its city or its name; arrows and Enter choose. */
export function ZonePicker({ value, onChoose, label }: { value: string | null; onChoose: (zone: string) => void; label: string }) {
  const { t } = useTranslation();
  const { data: zones = [], isPending } = useQuery(zonesQuery);
  const [typed, setTyped] = useState('');
  const found = zones.filter((zone) => plain(`${zone.city} ${zone.id.replaceAll('_', ' ')}`).includes(plain(typed)));
  return (
    <Command shouldFilter={false} label={label} className="flex flex-col gap-2">
      <Command.Input
        autoFocus
        aria-label={label}
        value={typed}
        onValueChange={setTyped}
        placeholder={t('zone.search')}
        className="block w-full rounded-md border border-muted bg-sheet px-2.5 py-1.5"
      />
      {/* An empty list is none: to a screen reader it would be a list with something missing. */}
      {found.length > 0 && (
        <Command.List className="max-h-60 overflow-y-auto" label={label}>
          {found.slice(0, SHOWN).map((zone) => (
            <Command.Item
              key={zone.id}
              value={zone.id}
              onSelect={() => onChoose(zone.id)}
              className={`flex cursor-pointer justify-between gap-3 border-b border-line px-1 py-1.5 data-[selected=true]:bg-paper ${zone.id === value ? 'font-semibold' : ''}`}
            >
              <span>
                {zone.city} <span className="text-muted">{zone.region}</span>
              </span>
              <span className="text-muted">{offsetText(zone.offset)}</span>
            </Command.Item>
          ))}
        </Command.List>
      )}
      {found.length === 0 && !isPending && <p className="py-2 text-muted">{t('zone.none')}</p>}
      {found.length > SHOWN && <p className="py-2 text-note text-muted">{t('zone.more', { count: found.length - SHOWN })}</p>}
    </Command>
  );
}
