import { clock } from '../lib/time';
import type { Meeting } from './meetings';
import type { Sheet } from './sheet';

const minutesOf = (wall: string) => Number(clock(wall).slice(0, 2)) * 60 + Number(clock(wall).slice(3, 5));

/** Where the bar of a date stood when the meeting was sent, on the same day; null where it stands there still, or was another day. */
export function wasBar(
  sheet: Sheet,
  sent: Pick<Meeting, 'startLocal' | 'zone' | 'allDay' | 'durationMinutes' | 'moved'> | undefined,
  wall: string | undefined,
  day: { barAt: number; barMinutes: number },
): { at: number; minutes: number } | null {
  const isMoved = (moved: Sheet['moved']) => moved.some(({ to }) => to === wall);
  if (!sent || !wall || sheet.allDay || sent.allDay || sheet.zone !== sent.zone || isMoved(sheet.moved) !== isMoved(sent.moved)) {
    return null;
  }
  const by = isMoved(sheet.moved) ? 0 : minutesOf(sent.startLocal) - minutesOf(sheet.startLocal);
  return by === 0 && sent.durationMinutes === sheet.durationMinutes ? null : { at: day.barAt + by, minutes: sent.durationMinutes };
}
