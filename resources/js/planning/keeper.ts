import { ApiError } from '../lib/api';
import type { Meeting } from './meetings';
import { sheetOf, wire, type Sheet } from './sheet';

/** Milliseconds of rest after which a changed sheet keeps itself. */
const REST = 700;
/** Seconds between tries while the server does not answer, and then for as long as it takes. */
const PAUSES = [2, 4, 8, 15];
const LONGEST = 30;
const MOST_UNDO = 60;
/** Milliseconds within which typing on in one place is one thing done. */
const ONE_GO = 3000;
/** Parts in which people type letter by letter. */
const TYPED = new Set<string>(['title', 'purpose', 'place', 'agenda', 'links']);

export type Change = Partial<Sheet> | ((now: Sheet) => Partial<Sheet>);

/** What is held on the device until the server has it. */
export type Held = { at: string; version: number; sheet: Sheet };

export type Store = { read: () => Held | null; write: (held: Held) => void; clear: () => void };

export type Kept = {
  sheet: Sheet;
  /** kept: the server has it; waiting: not yet; away: it does not answer, and is tried again; failed: it would not take it. */
  state: 'kept' | 'waiting' | 'away' | 'failed';
  /** When the server took it last, on the person's own clock. */
  keptLocal: string | null;
  /** Since when the server has not answered, in milliseconds. */
  since: number | null;
  error: ApiError | null;
  version: number;
  /** Another window was first: what stands on the server now. */
  conflict: Meeting | null;
  /** What an earlier visit could not hand in. */
  offer: Held | null;
  canUndo: boolean;
  canRedo: boolean;
};

type Step = { sheet: Sheet; place: string; at: number };

const isAway = (error: unknown): boolean =>
  !(error instanceof ApiError) ||
  error.status === 0 ||
  error.status >= 500 ||
  error.status === 401 ||
  error.status === 419 ||
  error.status === 429;

/** Where a change was made: typing on in the same place belongs together, adding or taking out an item does not. */
function placeOf(before: Sheet, after: Sheet): string {
  const changed = (Object.keys(after) as (keyof Sheet)[]).filter((key) => before[key] !== after[key]);
  if (changed.length !== 1 || !TYPED.has(changed[0] ?? '')) {
    return '';
  }
  const key = changed[0] as keyof Sheet;
  const items = (sheet: Sheet) => (key === 'agenda' || key === 'links' ? sheet[key] : null);
  const [was, is] = [items(before), items(after)];
  if (was === null || is === null) {
    return key;
  }
  const edited = is.filter((item, index) => item !== was[index]);
  return was.length === is.length && edited.length === 1 && was.some((item) => item.key === edited[0]?.key)
    ? `${key} ${edited[0]?.key}`
    : '';
}

/**
 * Holds a sheet and keeps it: one save after the other, each of what stands there when its turn comes, tried again while the
 * server does not answer. Undo and redo go by what was done.
 */
export class SheetKeeper {
  private sheet: Sheet;
  private past: Step[] = [];
  private future: Sheet[] = [];
  private keptText: string;
  private version: number;
  private keptLocal: string | null = null;
  private error: ApiError | null = null;
  private conflict: Meeting | null = null;
  private offer: Held | null;
  private since: number | null = null;
  private tries = 0;
  private timer: ReturnType<typeof setTimeout> | undefined;
  private running: Promise<boolean> | null = null;
  /** Agenda items that the server knows, by the key they have on this page. */
  private readonly ids = new Map<string, number>();
  private readonly listeners = new Set<() => void>();
  private snapshot: Kept;

  constructor(
    meeting: Meeting,
    private readonly put: (body: Record<string, unknown>) => Promise<Meeting>,
    private readonly store: Store,
    private readonly onKept: (meeting: Meeting) => void = () => undefined,
    private readonly onAway: (error: unknown) => void = () => undefined,
  ) {
    this.sheet = sheetOf(meeting);
    this.learnIds(
      this.sheet.agenda.map((item) => item.key),
      meeting,
    );
    this.version = meeting.version;
    this.keptText = this.text();
    const held = store.read();
    this.offer = held && JSON.stringify(wire(held.sheet)) !== this.keptText ? held : null;
    this.snapshot = this.shown();
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  readonly present = (): Kept => this.snapshot;

  readonly change = (next: Change): void => {
    const before = this.sheet;
    const after = { ...before, ...(typeof next === 'function' ? next(before) : next) };
    const place = placeOf(before, after);
    const last = this.past[this.past.length - 1];
    const now = Date.now();
    if (last && place !== '' && last.place === place && now - last.at < ONE_GO) {
      last.at = now;
    } else {
      this.past = [...this.past.slice(-MOST_UNDO), { sheet: before, place, at: now }];
    }
    this.future = [];
    this.take(after);
  };

  /** What the server makes of the last change belongs to that change. */
  readonly amend = (next: Partial<Sheet>): void => this.take({ ...this.sheet, ...next });

  readonly undo = (): void => {
    const last = this.past.pop();
    if (last) {
      this.future.push(this.sheet);
      this.take(last.sheet);
    }
  };

  readonly redo = (): void => {
    const next = this.future.pop();
    if (next) {
      this.past.push({ sheet: this.sheet, place: '', at: 0 });
      this.take(next);
    }
  };

  readonly takeTheirs = (): void => {
    if (this.conflict) {
      const theirs = sheetOf(this.conflict);
      this.learnIds(
        theirs.agenda.map((item) => item.key),
        this.conflict,
      );
      this.past.push({ sheet: this.sheet, place: '', at: 0 });
      this.settle(this.conflict.version, JSON.stringify(wire(theirs)));
      this.take(theirs);
    }
  };

  readonly keepMine = (): void => {
    if (this.conflict) {
      // Theirs is one step back, as the question promised.
      this.past.push({ sheet: sheetOf(this.conflict), place: '', at: 0 });
      this.settle(this.conflict.version, JSON.stringify(wire(sheetOf(this.conflict))));
      void this.flush();
    }
  };

  readonly takeOffer = (): void => {
    if (this.offer) {
      const { sheet } = this.offer;
      this.offer = null;
      this.change(sheet);
    }
  };

  readonly letOfferGo = (): void => {
    this.offer = null;
    this.store.clear();
    this.show();
  };

  readonly isDirty = (): boolean => this.text() !== this.keptText;

  /** Keeps at once, and answers when it is kept; false if it could not be. */
  readonly flush = (): Promise<boolean> => {
    clearTimeout(this.timer);
    // Whoever asks while a save is under way waits for it, and for what was typed meanwhile.
    this.running ??= this.run().finally(() => {
      this.running = null;
    });
    return this.running;
  };

  /** The server can be reached again: what waits for its next try waits no longer. */
  readonly again = async (): Promise<void> => {
    await this.running;
    if (this.since !== null && this.isDirty() && !this.conflict) {
      await this.flush();
    }
  };

  /** The page goes: what is typed is handed in once more, and stays on the device if that fails. */
  readonly leave = (): void => {
    clearTimeout(this.timer);
    if (this.isDirty() && !this.conflict) {
      void this.flush();
    }
  };

  private take(sheet: Sheet): void {
    this.sheet = sheet;
    clearTimeout(this.timer);
    if (!this.isDirty()) {
      // What was refused has been taken back: the server holds what stands here.
      this.error = null;
      this.since = null;
      this.store.clear();
    } else if (!this.conflict) {
      this.hold();
      this.timer = setTimeout(() => void this.flush(), REST);
    }
    this.show();
  }

  private hold(): void {
    this.offer = null;
    this.store.write({ at: new Date().toISOString(), version: this.version, sheet: this.sheet });
  }

  private async run(): Promise<boolean> {
    while (this.isDirty()) {
      if (this.conflict) {
        return false;
      }
      const sent = this.sheet;
      const text = this.text();
      try {
        const now = await this.put({ ...wire(sent, this.ids), version: this.version });
        this.learnIds(
          sent.agenda
            .filter((item) => item.title.trim() !== '' || item.speaker.trim() !== '' || item.minutes !== null)
            .map((item) => item.key),
          now,
        );
        this.keptLocal = now.updatedLocal;
        this.settle(now.version, text);
        this.onKept(now);
      } catch (error) {
        this.fail(error);
        return false;
      }
    }
    return true;
  }

  /** The version that the server has of this sheet, as far as this page was told. */
  readonly heldVersion = (): number => this.version;

  private settle(version: number, text: string): void {
    this.version = version;
    this.keptText = text;
    this.conflict = null;
    this.error = null;
    this.since = null;
    this.tries = 0;
    if (this.isDirty()) {
      this.hold();
    } else {
      this.store.clear();
    }
    this.show();
  }

  private fail(error: unknown): void {
    if (error instanceof ApiError && error.code === 'changed_elsewhere') {
      this.conflict = (error.details['current'] as Meeting | undefined) ?? null;
      this.error = this.conflict ? null : error;
    } else if (isAway(error)) {
      this.since ??= Date.now();
      this.error = null;
      const isSignedOut = error instanceof ApiError && error.status === 401;
      // Nobody is signed in by trying again: that is waited for, and said by `again`.
      const pause = isSignedOut ? LONGEST : (PAUSES[this.tries] ?? LONGEST);
      this.tries += 1;
      this.timer = setTimeout(() => void this.flush(), pause * 1000);
      this.onAway(error);
    } else {
      this.since = null;
      this.error = error as ApiError;
    }
    this.show();
  }

  private learnIds(keys: string[], meeting: Meeting): void {
    keys.forEach((key, index) => {
      const id = meeting.agenda[index]?.id;
      if (id !== undefined) {
        this.ids.set(key, id);
      }
    });
  }

  private text(): string {
    return JSON.stringify(wire(this.sheet));
  }

  private show(): void {
    this.snapshot = this.shown();
    this.listeners.forEach((listener) => listener());
  }

  private shown(): Kept {
    const dirty = this.isDirty();
    return {
      sheet: this.sheet,
      state: !dirty ? 'kept' : this.error ? 'failed' : this.since !== null ? 'away' : 'waiting',
      keptLocal: this.keptLocal,
      since: this.since,
      error: dirty ? this.error : null,
      version: this.version,
      conflict: this.conflict,
      offer: this.offer,
      canUndo: this.past.length > 0,
      canRedo: this.future.length > 0,
    };
  }
}
