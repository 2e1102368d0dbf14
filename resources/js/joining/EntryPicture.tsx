import { useRef, type KeyboardEvent, type PointerEvent } from 'react';
import { useTranslation } from 'react-i18next';
import '../lib/i18nRoom';
import type { Group, Room, Stretch } from './room';
import { aboutWords, clockAt, stretchWords } from './words';

/** So many people have a row each; of more, those to whom the same happens share one. */
const ROWS = 24;

const LOOK: Record<Stretch['outcome'], string> = {
  admitted: 'border-line bg-day font-semibold text-on-day',
  lobby: 'border-dusk bg-dusk text-[#17202b] dark:text-ink',
  waits: 'border-muted border-dashed bg-dusk text-[#17202b] dark:text-ink',
  closed: 'ground-closed border-transparent text-muted',
  refused: 'border-broken bg-sheet font-semibold text-broken',
};

/** Less of the width has no room for a sentence, or for a word: it is read aloud, and by whoever rests on it. */
const SHORT = 0.3;
const TINY = 0.09;

type PictureProps = {
  room: Room;
  city: string;
  nameOf: (id: string) => string;
  hostComes: number;
  setHostComes: (minutes: number) => void;
};

type Row = { key: string; name: string; group: Group };

/** What will happen to each who comes, by the minute: each a row, the start of the meeting and the coming of the host as lines through all. */
export function EntryPicture({ room, city, nameOf, hostComes, setHostComes }: PictureProps) {
  const { t } = useTranslation();
  const track = useRef<HTMLDivElement>(null);
  const { from, until, groups } = room;
  const span = until - from;
  const share = (minute: number) => `${((minute - from) / span) * 100}%`;
  const people = groups.reduce((sum, group) => sum + group.people.length, 0);
  const rows = groups.flatMap<Row>((group) =>
    group.who === 'stranger'
      ? [{ key: 'stranger', name: t('entryRules.picture.stranger'), group }]
      : people <= ROWS || group.people.length === 1
        ? group.people.map((id) => ({ key: id, name: nameOf(id), group }))
        : [{ key: group.people[0] ?? '', name: t('entryRules.picture.several', { count: group.people.length }), group }],
  );
  const ticks = [...new Set([from, -(room.settings.doors.value || 0), 0, room.settings.lock.value ?? until, until])]
    .filter((at) => at >= from && at <= until)
    .toSorted((a, b) => a - b)
    .filter((at, index, all) => index === 0 || at - (all[index - 1] ?? at) >= span / 14);
  const away =
    hostComes === 0
      ? t('entryRules.picture.atStart')
      : t(hostComes < 0 ? 'entryRules.picture.ahead' : 'entryRules.picture.after', { count: Math.abs(hostComes) });
  const spoken = t('entryRules.picture.hostAt', { clock: clockAt(room, hostComes), minutes: away });
  const move = (minutes: number) => setHostComes(Math.max(-60, Math.min(120, Math.round(minutes))));
  const keys = (event: KeyboardEvent) => {
    const by = { ArrowLeft: -1, ArrowDown: -1, ArrowRight: 1, ArrowUp: 1, PageDown: -5, PageUp: 5 }[event.key];
    if (by !== undefined) {
      event.preventDefault();
      move(hostComes + by);
    } else if (event.key === 'Home') {
      event.preventDefault();
      move(0);
    }
  };
  const drag = (event: PointerEvent) => {
    const box = track.current?.getBoundingClientRect();
    if (box && event.currentTarget.hasPointerCapture(event.pointerId)) {
      move(from + ((event.clientX - box.left) / box.width) * span);
    }
  };
  return (
    <section aria-labelledby="entry-picture">
      <h2 id="entry-picture" className="text-note font-normal text-muted">
        {t('entryRules.picture.title')}
      </h2>
      <div className="relative mt-2 grid grid-cols-[minmax(8rem,14rem)_1fr]">
        <div />
        <div ref={track} className="relative h-6">
          <div
            role="slider"
            tabIndex={0}
            aria-label={t('entryRules.picture.host')}
            aria-valuemin={-60}
            aria-valuemax={120}
            aria-valuenow={hostComes}
            aria-valuetext={spoken}
            title={`${t('entryRules.picture.host')}: ${spoken}`}
            className="absolute top-0 z-10 -translate-x-1/2 cursor-ew-resize touch-none rounded bg-sun px-1.5 text-note font-semibold text-on-sun tabular-nums select-none"
            style={{ left: share(Math.max(from, Math.min(until, hostComes))) }}
            onKeyDown={keys}
            onPointerDown={(event) => event.currentTarget.setPointerCapture(event.pointerId)}
            onPointerMove={drag}
          >
            {clockAt(room, hostComes)}
          </div>
        </div>
        <ul className="col-span-2 grid grid-cols-subgrid">
          {rows.map(({ key, name, group }) => (
            <li key={key} className="col-span-2 grid grid-cols-subgrid items-center border-t border-line">
              <p className="min-w-0 truncate py-1.5 pr-2">
                <strong className="font-semibold">{name}</strong> <span className="text-note text-muted">{aboutWords(t, group)}</span>
              </p>
              <p className="sr-only">
                {group.stretches
                  .map((one) => t('entryRules.picture.stretch', { clock: clockAt(room, one.from), what: stretchWords(t, one) }))
                  .join('; ')}
              </p>
              <div aria-hidden className="relative h-8">
                <span
                  className="absolute inset-y-0 z-10 w-0.5 bg-sun"
                  style={{ left: share(Math.max(from, Math.min(until, hostComes))) }}
                />
                {group.stretches.map((one) => (
                  <span
                    key={one.from}
                    title={stretchWords(t, one)}
                    className={`absolute inset-y-0.5 truncate rounded-sm border px-1.5 text-note leading-[1.6rem] ${LOOK[one.outcome]}`}
                    style={{ left: share(one.from), width: `calc(${((one.until - one.from) / span) * 100}% - 2px)` }}
                  >
                    {(one.until - one.from) / span < TINY
                      ? ''
                      : one.outcome === 'lobby' && (one.until - one.from) / span < SHORT
                        ? t('entryRules.picture.short')
                        : stretchWords(t, one)}
                  </span>
                ))}
              </div>
            </li>
          ))}
        </ul>
        <div className="border-t border-line py-1 text-note text-muted">{city}</div>
        <div aria-hidden className="relative h-6 border-t border-line text-note text-muted tabular-nums">
          {ticks.map((at, index) => (
            <span
              key={at}
              className={`absolute top-0.5 ${index === 0 ? '' : index === ticks.length - 1 ? '-translate-x-full' : '-translate-x-1/2'}`}
              style={{ left: share(at) }}
            >
              {clockAt(room, at)}
            </span>
          ))}
        </div>
      </div>
    </section>
  );
}
