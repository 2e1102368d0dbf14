import type { TFunction } from 'i18next';
import { summaryWords } from '../joining/words';
import { hasKit } from './meetings';
import type { Blueprint } from './blueprints';

/** "Every second Tuesday at 15:30 Nairobi time, 45 minutes; 10 people; online. Doors open 10 minutes ahead; …" */
export function blueprintWords(t: TFunction, blueprint: Blueprint): string {
  const { repeats, clock, city, minutes, people, joinMode } = blueprint;
  const when = [
    repeats ? repeats.charAt(0).toUpperCase() + repeats.slice(1) : t('blueprint.once'),
    clock ? t('blueprint.at', { clock, city }) : t('blueprint.allDay'),
    clock ? t('blueprint.minutes', { count: minutes }) : t('blueprint.days', { count: minutes / 1440 }),
  ].join(', ');
  const about = [when, t('blueprint.people', { count: people }), t(`blueprint.join.${joinMode}`)].join('; ');
  return `${about}. ${hasKit(joinMode) ? summaryWords(t, blueprint) : ''}`.trim();
}
