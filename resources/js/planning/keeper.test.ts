import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { ApiError } from '../lib/api';
import { SheetKeeper, type Held, type Store } from './keeper';
import { sampleMeeting as meeting } from './samples';

const store = (held: Held | null = null): Store & { held: Held | null } => ({
  held,
  read() {
    return this.held;
  },
  write(next) {
    this.held = next;
  },
  clear() {
    this.held = null;
  },
});

/** A server that answers as it is told, and holds what it was given. */
function server() {
  const state = { version: 1, saves: [] as Record<string, unknown>[], fail: null as ApiError | null, wait: null as Promise<void> | null };
  const put = async (body: Record<string, unknown>) => {
    const { wait } = state;
    await wait;
    if (state.fail) {
      throw state.fail;
    }
    if (body['version'] !== state.version) {
      throw new ApiError(409, 'changed_elsewhere', '', {}, { current: meeting({ title: 'Theirs', version: state.version }) });
    }
    state.version += 1;
    state.saves.push(body);
    const agenda = (body['agenda'] as { title: string; id: number | null }[]).map((item, index) => ({
      id: item.id ?? state.version * 10 + index,
      title: item.title,
      minutes: null,
      speaker: null,
    }));
    return meeting({ title: body['title'] as string, version: state.version, agenda });
  };
  return { state, put };
}

beforeEach(() => vi.useFakeTimers());
afterEach(() => vi.useRealTimers());

describe('SheetKeeper', () => {
  it('never conflicts with itself, however the saves and the next step fall together', async () => {
    const { state, put } = server();
    const keeper = new SheetKeeper(meeting(), put, store());
    let release = () => undefined as void;
    state.wait = new Promise((done) => (release = done));
    keeper.change({ title: 'A' });
    await vi.advanceTimersByTimeAsync(700);
    keeper.change({ title: 'AB' });
    const first = keeper.flush();
    keeper.change({ title: 'ABC' });
    const second = keeper.flush();
    release();
    expect(await first).toBe(true);
    expect(await second).toBe(true);
    expect(state.saves.map((body) => body['title'])).toEqual(['A', 'ABC']);
    expect(keeper.present()).toMatchObject({ state: 'kept', conflict: null, version: 3 });
  });

  it('goes on trying while the server does not answer, says since when, and holds what is typed meanwhile', async () => {
    const { state, put } = server();
    const device = store();
    const keeper = new SheetKeeper(meeting(), put, device);
    for (const failure of [
      new ApiError(0, 'no_answer', ''),
      new ApiError(503, 'database_away', ''),
      new ApiError(401, 'not_signed_in', ''),
      new ApiError(500, 'broken', ''),
    ]) {
      state.fail = failure;
      keeper.change({ title: `during ${failure.code}` });
      await vi.advanceTimersByTimeAsync(5_000);
      expect(keeper.present()).toMatchObject({ state: 'away', error: null });
      expect(device.held?.sheet.title).toBe(`during ${failure.code}`);
    }
    const since = keeper.present().since;
    expect(since).toBeLessThanOrEqual(Date.now() - 15_000);
    state.fail = null;
    await vi.advanceTimersByTimeAsync(31_000);
    expect(keeper.present()).toMatchObject({ state: 'kept', since: null });
    expect(state.saves.at(-1)?.['title']).toBe('during broken');
    expect(device.held).toBeNull();
  });

  it('does not go on trying while nobody is signed in, and hands it in at once when somebody is', async () => {
    const { state, put } = server();
    let asked = 0;
    const keeper = new SheetKeeper(
      meeting(),
      (body) => {
        asked += 1;
        return put(body);
      },
      store(),
    );
    state.fail = new ApiError(401, 'not_signed_in', '');
    keeper.change({ title: 'Typed after the session ended' });
    await vi.advanceTimersByTimeAsync(25_000);
    expect(asked).toBe(1);
    state.fail = null;
    await keeper.again();
    expect(keeper.present()).toMatchObject({ state: 'kept', since: null });
    expect([asked, state.saves.at(-1)?.['title']]).toEqual([2, 'Typed after the session ended']);
    await keeper.again();
    expect(asked).toBe(2);
  });

  it('waits for the save that is under way before it tries again', async () => {
    const { state, put } = server();
    const keeper = new SheetKeeper(meeting(), put, store());
    let go: () => void = () => undefined;
    state.fail = new ApiError(401, 'not_signed_in', '');
    state.wait = new Promise((done) => (go = done));
    keeper.change({ title: 'Slow' });
    await vi.advanceTimersByTimeAsync(1_000);
    const again = keeper.again();
    // The first answer comes late, when somebody has signed in already.
    go();
    state.wait = null;
    await vi.advanceTimersByTimeAsync(0);
    state.fail = null;
    await again;
    await vi.advanceTimersByTimeAsync(31_000);
    expect(keeper.present().state).toBe('kept');
  });

  it('offers what an earlier visit could not hand in, and takes it as one step that can be undone', async () => {
    const { put } = server();
    const earlier = new SheetKeeper(meeting(), put, store());
    const device = store({ at: '2026-11-28T09:00:00Z', version: 1, sheet: { ...earlier.present().sheet, title: 'Typed before' } });
    const keeper = new SheetKeeper(meeting(), put, device);
    expect(keeper.present().sheet.title).toBe('Seed swap');
    expect(keeper.present().offer?.sheet.title).toBe('Typed before');
    keeper.takeOffer();
    expect(keeper.present()).toMatchObject({ offer: null, canUndo: true });
    await vi.advanceTimersByTimeAsync(700);
    expect(keeper.present()).toMatchObject({ state: 'kept' });
    keeper.undo();
    expect(keeper.present().sheet.title).toBe('Seed swap');
  });

  it('says what the server would not take, and forgets it once it is taken back', async () => {
    const { state, put } = server();
    const keeper = new SheetKeeper(meeting(), put, store());
    state.fail = new ApiError(422, 'invalid', 'No.', { durationMinutes: ['Too long.'] });
    keeper.change({ durationMinutes: 7 });
    expect(await keeper.flush()).toBe(false);
    expect(keeper.present()).toMatchObject({ state: 'failed', error: { code: 'invalid' } });
    keeper.undo();
    expect(keeper.present()).toMatchObject({ state: 'kept', error: null });
  });

  describe('undo', () => {
    const typed = (keeper: SheetKeeper, text: string) => [...text].forEach((_, at) => keeper.change({ title: text.slice(0, at + 1) }));

    it('goes by what was done and not by letters, to the very first step and back', () => {
      const { put } = server();
      const keeper = new SheetKeeper(meeting(), put, store());
      typed(keeper, 'Fern exchange');
      keeper.change({ durationMinutes: 60 });
      keeper.change({ durationMinutes: 90 });
      typed(keeper, 'Another title');
      const shown = () => `${keeper.present().sheet.title} ${keeper.present().sheet.durationMinutes}`;
      const back = [shown()];
      while (keeper.present().canUndo) {
        keeper.undo();
        back.push(shown());
      }
      expect(back).toEqual(['Another title 90', 'Fern exchange 90', 'Fern exchange 60', 'Fern exchange 45', 'Seed swap 45']);
      const forth = [shown()];
      while (keeper.present().canRedo) {
        keeper.redo();
        forth.push(shown());
      }
      expect(forth).toEqual([...back].reverse());
    });

    it('parts what was typed after a rest, in another place, or in another agenda item', async () => {
      const { put } = server();
      const keeper = new SheetKeeper(meeting(), put, store());
      keeper.change({ agenda: [{ key: 'a', title: '', minutes: null, speaker: '' }] });
      keeper.change((now) => ({ agenda: [...now.agenda, { key: 'b', title: '', minutes: null, speaker: '' }] }));
      const write = (key: string, title: string) =>
        keeper.change((now) => ({ agenda: now.agenda.map((item) => (item.key === key ? { ...item, title } : item)) }));
      write('a', 'A');
      write('a', 'Ar');
      write('b', 'B');
      await vi.advanceTimersByTimeAsync(10_000);
      write('b', 'Be');
      const back: string[] = [];
      while (keeper.present().canUndo) {
        keeper.undo();
        back.push(
          keeper
            .present()
            .sheet.agenda.map((item) => item.title)
            .join('|'),
        );
      }
      expect(back).toEqual(['Ar|B', 'Ar|', '|', '', '']);
    });

    it('is one step for what the server made of a change', () => {
      const { put } = server();
      const keeper = new SheetKeeper(meeting(), put, store());
      keeper.change({ startLocal: '2026-12-11T15:30:00' });
      keeper.amend({ startLocal: '2026-12-15T15:30:00' });
      keeper.undo();
      expect(keeper.present().sheet.startLocal).toBe('2026-12-08T15:30:00');
    });
  });

  describe('when another window was first', () => {
    const conflicted = async () => {
      const { state, put } = server();
      const keeper = new SheetKeeper(meeting(), put, store());
      state.version = 5;
      keeper.change({ title: 'Mine' });
      expect(await keeper.flush()).toBe(false);
      expect(keeper.present().conflict?.title).toBe('Theirs');
      return { keeper, state };
    };

    it('keeps the promise of undo for theirs', async () => {
      const { keeper } = await conflicted();
      keeper.takeTheirs();
      expect(keeper.present()).toMatchObject({ conflict: null, sheet: { title: 'Theirs' } });
      keeper.undo();
      expect(keeper.present().sheet.title).toBe('Mine');
    });

    it('keeps the promise of undo for mine', async () => {
      const { keeper, state } = await conflicted();
      keeper.keepMine();
      await vi.advanceTimersByTimeAsync(0);
      expect(state.saves.at(-1)).toMatchObject({ title: 'Mine', version: 5 });
      keeper.undo();
      expect(keeper.present().sheet.title).toBe('Theirs');
    });
  });

  it('tells the server which agenda items it knows already', async () => {
    const { state, put } = server();
    const keeper = new SheetKeeper(meeting(), put, store());
    keeper.change({ agenda: [{ key: 'a', title: 'A', minutes: null, speaker: '' }] });
    await keeper.flush();
    keeper.change((now) => ({ agenda: [{ key: 'b', title: 'B', minutes: null, speaker: '' }, ...now.agenda] }));
    await keeper.flush();
    expect(state.saves.map((body) => (body['agenda'] as { id: number | null }[]).map((item) => item.id))).toEqual([[null], [null, 20]]);
  });
});
