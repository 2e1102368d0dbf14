import { useEffect, useState, type RefObject } from 'react';
import { useTranslation } from 'react-i18next';
import type { Pane, Standing } from './board';
import { isNight } from './words';

export type OutOfSightProps = { strip: RefObject<HTMLDivElement | null>; panes: Pane[]; standings: Standing[] };

/** Notes at the edges of a board that scrolls sideways: what is out of sight there. */
export function OutOfSight({ strip, panes, standings }: OutOfSightProps) {
  const { t } = useTranslation();
  const [hidden, setHidden] = useState<{ left: string[]; right: string[] }>({ left: [], right: [] });

  useEffect(() => {
    const box = strip.current;
    if (!box) {
      return undefined;
    }
    const look = () => {
      const seen = box.getBoundingClientRect();
      const left: string[] = [];
      const right: string[] = [];
      for (const pane of box.querySelectorAll<HTMLElement>('[data-pane]')) {
        const place = pane.getBoundingClientRect();
        const key = pane.dataset['pane'] ?? '';
        if (place.left + place.width / 2 > seen.right) {
          right.push(key);
        } else if (place.left + place.width / 2 < seen.left + 56) {
          left.push(key);
        }
      }
      setHidden((now) => (now.left.join() === left.join() && now.right.join() === right.join() ? now : { left, right }));
    };
    look();
    box.addEventListener('scroll', look, { passive: true });
    const resized = new ResizeObserver(look);
    resized.observe(box);
    return () => {
      box.removeEventListener('scroll', look);
      resized.disconnect();
    };
  }, [strip, panes]);

  const what = (keys: string[]) => {
    const nights = panes
      .filter((pane) => keys.includes(pane.key))
      .flatMap((pane) =>
        pane.threads.filter((thread) => standings.some((standing) => standing.id === thread.id && isNight(standing))),
      ).length;
    const places = t('board.morePlaces', { count: keys.length });
    return nights > 0 ? t('board.moreNight', { places, count: nights }) : places;
  };

  return (
    <>
      {hidden.left.length > 0 && (
        <p className="no-print pointer-events-none absolute bottom-6 left-16 z-30 rounded bg-ink px-2 text-note font-semibold text-on-ink">
          {t('board.moreLeft', { what: what(hidden.left) })}
        </p>
      )}
      {hidden.right.length > 0 && (
        <p className="pointer-events-none absolute right-1 bottom-6 z-30 rounded bg-ink px-2 text-note font-semibold text-on-ink">
          {t('board.moreRight', { what: what(hidden.right) })}
        </p>
      )}
    </>
  );
}
