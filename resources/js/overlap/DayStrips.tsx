import { useTranslation } from 'react-i18next';
import { clock, weekday } from '../lib/time';
import { Button } from '../ui/Button';
import { inOrder, type Day } from './board';
import { localAt } from './PaneView';
import { lightWord, type People } from './words';

export type DayStripsProps = { day: Day; people: People; moved: (shiftMinutes: number, lengthMinutes: number) => void };

/** The board for a phone: a horizontal day a place, the worst first. */
export function DayStrips({ day, people, moved }: DayStripsProps) {
  const { t } = useTranslation();
  const panes = inOrder(day.panes, day.worstFirst);
  const x = (minutes: number) => `${(minutes / day.axisMinutes) * 100}%`;
  return (
    <div className="flex flex-col gap-3">
      <div className="flex gap-3">
        <Button className="flex-1" onClick={() => moved(-15, day.barMinutes)}>
          {t('board.earlier')}
        </Button>
        <Button className="flex-1" onClick={() => moved(15, day.barMinutes)}>
          {t('board.later')}
        </Button>
      </div>
      {panes.map((pane) => {
        const own = day.standings.filter((standing) => pane.threads.some((thread) => thread.id === standing.id));
        return (
          <section key={pane.key} className="bg-sheet p-2">
            <h3 className="flex items-baseline justify-between font-semibold">
              <span>{pane.places[0] ?? t('board.unknownPlace')}</span>
              {pane.axisWall && (
                <span>
                  <span className="narrow text-19">{clock(localAt(pane, day.barAt))}</span> {weekday(localAt(pane, day.barAt))}{' '}
                  {lightWord(t, own)}
                </span>
              )}
            </h3>
            {pane.axisWall && (
              <div className="relative h-6" aria-hidden>
                {pane.ground.map((segment) => (
                  <span
                    key={segment.from}
                    className={`ground-${segment.tone} absolute inset-y-0`}
                    style={{ left: x(segment.from), width: x(segment.to - segment.from) }}
                  />
                ))}
                <span
                  className="absolute -inset-y-1 rounded border-2 border-[#17202b] bg-sun"
                  style={{ left: x(day.barAt), width: `max(8px, ${x(day.barMinutes)})` }}
                />
              </div>
            )}
            <p className="text-note text-muted">
              {pane.threads.map((thread) => people.get(thread.id)?.name ?? people.get(thread.id)?.email ?? '?').join(', ')}
            </p>
          </section>
        );
      })}
    </div>
  );
}
