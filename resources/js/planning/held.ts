import type { Held, Store } from './keeper';
import type { Sheet } from './sheet';

const PREFIX = 'syndex-held';
const keyOf = (accountId: string, meetingId: string) => `${PREFIX}:${accountId}:${meetingId}`;

/** Whether something that was stored is a sheet at all: an older page may have written it. */
function isHeld(value: unknown): value is Held {
  const held = value as Partial<Held> | null;
  const sheet = held?.sheet as Partial<Sheet> | undefined;
  return (
    typeof held?.at === 'string' &&
    Array.isArray(sheet?.agenda) &&
    Array.isArray(sheet.links) &&
    Array.isArray(sheet.attendees) &&
    typeof sheet.startLocal === 'string' &&
    sheet.rule !== undefined &&
    Array.isArray(sheet.moved)
  );
}

/** Typed text on the device, by account and meeting. A browser that keeps nothing is no reason to stop. */
export function heldStore(accountId: string, meetingId: string): Store {
  const key = keyOf(accountId, meetingId);
  return {
    read: () => {
      try {
        const value: unknown = JSON.parse(localStorage.getItem(key) ?? 'null');
        return isHeld(value) ? value : null;
      } catch {
        return null;
      }
    },
    write: (held) => {
      try {
        localStorage.setItem(key, JSON.stringify(held));
      } catch {
        // No room, or not allowed: the page itself still holds it.
      }
    },
    clear: () => {
      try {
        localStorage.removeItem(key);
      } catch {
        // As above.
      }
    },
  };
}

/** Whoever signs out leaves nothing behind. */
export function forgetHeld(): void {
  try {
    Object.keys(localStorage)
      .filter((key) => key.startsWith(`${PREFIX}:`))
      .forEach((key) => localStorage.removeItem(key));
  } catch {
    // Nothing was kept then.
  }
}
