import { useQuery } from '@tanstack/react-query';
import { useTranslation } from 'react-i18next';
import { meetingQuery } from './meetings';
import { sheetOf, type Sheet } from './sheet';

/** What belongs together: it is put back together. */
const PARTS = {
  title: ['title'],
  when: ['startLocal', 'zone', 'allDay', 'durationMinutes', 'rule', 'dropped', 'extra', 'moved'],
  dates: ['own'],
  people: ['attendees', 'hostId', 'hidesPeople'],
  join: ['joinMode', 'place'],
  room: ['room'],
  purpose: ['purpose'],
  agenda: ['agenda'],
  links: ['links'],
  entry: ['choices'],
} as const satisfies Record<string, readonly (keyof Sheet)[]>;
type Part = keyof typeof PARTS;

const picked = (sheet: Sheet, part: Part): Partial<Sheet> => Object.fromEntries(PARTS[part].map((field) => [field, sheet[field]]));

/** As text, without what only this page knows of it: the keys of lines, and all of people but who they are. */
const said = (sheet: Sheet, part: Part): string =>
  JSON.stringify(picked(sheet, part), (name, value: unknown) =>
    name === 'key' ? undefined : name === 'person' ? (value as { id: string }).id : value,
  );

/** Parts of the sheet that are not as they were sent. */
export const differing = (sheet: Sheet, sent: Sheet): Part[] =>
  (Object.keys(PARTS) as Part[]).filter((part) => said(sheet, part) !== said(sent, part));

type WhatDiffersProps = {
  sentId: string;
  sheet: Sheet;
  change: (next: Partial<Sheet>) => void;
  /** Whether it is of the dates from one on: those are other dates by themselves. */
  isPart?: boolean;
};

/** On the sheet of a change: what differs from what was sent, each to be put back. */
export function WhatDiffers({ sentId, sheet, change, isPart = false }: WhatDiffersProps) {
  const { t } = useTranslation();
  const { data } = useQuery(meetingQuery(sentId));
  if (!data) {
    return null;
  }
  const sent = sheetOf(data);
  const parts = differing(sheet, sent).filter((part) => !isPart || (part !== 'when' && part !== 'dates'));
  if (isPart && parts.length === 0) {
    return null;
  }
  return (
    <p role="status" className="flex flex-wrap items-baseline gap-x-4 border-b border-line bg-sheet px-5 py-1.5 text-note">
      {parts.length === 0 ? (
        <span className="text-muted">{t('changed.asSent')}</span>
      ) : (
        <span className="font-semibold">{t('changed.differs')} </span>
      )}
      {parts.map((part) => (
        <span key={part}>
          {t(`changed.part.${part}`)}{' '}
          <button
            type="button"
            className="changeable"
            aria-label={t('changed.putBackLong', { part: t(`changed.part.${part}`) })}
            onClick={() => change(picked(sent, part))}
          >
            {t('strip.restore')}
          </button>{' '}
        </span>
      ))}
    </p>
  );
}
