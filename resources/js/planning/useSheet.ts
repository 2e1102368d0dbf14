import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useLayoutEffect, useRef, useState } from 'react';
import { ApiError, sendJson } from '../lib/api';
import { meetingQuery, meetingShape, type Meeting } from './meetings';
import { sheetOf, wire, type Sheet } from './sheet';

/** Milliseconds of rest after which a changed sheet keeps itself. */
const REST = 700;
const MOST_UNDO = 60;

export type SheetState = {
  sheet: Sheet;
  change: (next: Partial<Sheet> | ((now: Sheet) => Partial<Sheet>)) => void;
  undo: (() => void) | null;
  /** kept: the server has it; waiting: not yet; failed: it would not take it. */
  state: 'kept' | 'waiting' | 'failed';
  keptAt: Date | null;
  error: ApiError | null;
  version: number;
  /** Another window was first: what stands on the server now. */
  conflict: Meeting | null;
  takeTheirs: () => void;
  keepMine: () => void;
  /** Keeps at once, and answers when it is kept; false if it could not be. */
  flush: () => Promise<boolean>;
};

/** Holds a sheet, keeps it as it changes, and notices when somebody else did. */
export function useSheet(meeting: Meeting): SheetState {
  const client = useQueryClient();
  const [sheet, setSheet] = useState(() => sheetOf(meeting));
  const [past, setPast] = useState<Sheet[]>([]);
  const [version, setVersion] = useState(meeting.version);
  const [keptAt, setKeptAt] = useState<Date | null>(null);
  const [conflict, setConflict] = useState<Meeting | null>(null);
  const [keptText, setKeptText] = useState(() => JSON.stringify(wire(sheet)));
  const kept = useRef(keptText);
  const latest = useRef(sheet);
  const latestVersion = useRef(version);
  useLayoutEffect(() => {
    latest.current = sheet;
  });

  const save = useMutation({
    mutationFn: (given: { body: Record<string, unknown>; version: number }) =>
      sendJson('PUT', `meetings/${meeting.id}`, { ...given.body, version: given.version }, meetingShape),
    scope: { id: `sheet-${meeting.id}` },
  });

  const keep = useCallback(
    async (asVersion?: number): Promise<boolean> => {
      const body = wire(latest.current);
      const text = JSON.stringify(body);
      if (text === kept.current && asVersion === undefined) {
        return true;
      }
      try {
        const now = await save.mutateAsync({ body, version: asVersion ?? latestVersion.current });
        kept.current = text;
        setKeptText(text);
        latestVersion.current = now.version;
        setVersion(now.version);
        setKeptAt(new Date());
        setConflict(null);
        client.setQueryData(meetingQuery(meeting.id).queryKey, now);
        return true;
      } catch (error) {
        if (error instanceof ApiError && error.code === 'changed_elsewhere') {
          const current = meetingShape.safeParse(error.details['current']);
          setConflict(current.success ? current.data : null);
        }
        return false;
      }
    },
    [client, meeting.id, save.mutateAsync],
  );

  const text = JSON.stringify(wire(sheet));
  const { isError: refused, reset: forgetRefusal } = save;
  useEffect(() => {
    // What was refused has been taken back: the server holds what stands here.
    if (text === kept.current && refused) {
      forgetRefusal();
    }
  }, [text, refused, forgetRefusal]);
  useEffect(() => {
    if (text === kept.current || conflict) {
      return undefined;
    }
    const timer = setTimeout(() => void keep(), REST);
    return () => clearTimeout(timer);
  }, [text, conflict, keep]);

  useEffect(() => {
    const warn = (event: BeforeUnloadEvent) => {
      if (JSON.stringify(wire(latest.current)) !== kept.current) {
        event.preventDefault();
      }
    };
    window.addEventListener('beforeunload', warn);
    return () => {
      window.removeEventListener('beforeunload', warn);
      // Going to another page of Syndex keeps what was typed last.
      if (JSON.stringify(wire(latest.current)) !== kept.current) {
        void keep();
      }
    };
  }, [keep]);

  const change = useCallback<SheetState['change']>((next) => {
    setSheet((now) => {
      const changed = { ...now, ...(typeof next === 'function' ? next(now) : next) };
      setPast((before) => (before[before.length - 1] === now ? before : [...before.slice(-MOST_UNDO), now]));
      return changed;
    });
  }, []);

  const undo = useCallback(() => {
    const before = past[past.length - 1];
    if (before) {
      setPast(past.slice(0, -1));
      setSheet(before);
    }
  }, [past]);

  const error = save.error instanceof ApiError && save.error.code !== 'changed_elsewhere' ? save.error : null;

  return {
    sheet,
    change,
    undo: past.length > 0 ? undo : null,
    state: error && !save.isPending ? 'failed' : text === keptText ? 'kept' : 'waiting',
    keptAt,
    error,
    version,
    conflict,
    takeTheirs: () => {
      if (conflict) {
        const theirs = sheetOf(conflict);
        kept.current = JSON.stringify(wire(theirs));
        setKeptText(kept.current);
        latestVersion.current = conflict.version;
        setVersion(conflict.version);
        setPast((before) => [...before, sheet]);
        setSheet(theirs);
        setConflict(null);
        save.reset();
      }
    },
    keepMine: () => {
      if (conflict) {
        void keep(conflict.version);
      }
    },
    flush: () => keep(),
  };
}
