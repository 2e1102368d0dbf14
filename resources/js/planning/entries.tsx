import { createContext, useCallback, useContext, useEffect, useMemo, useRef, type ReactNode } from 'react';

/** Takes what stands in a field, or points at it and answers false. */
type Commit = () => Promise<boolean>;
type Entries = { add: (commit: Commit) => () => void; finish: () => Promise<boolean> };

const Context = createContext<Entries | null>(null);

/** Knows the fields of a sheet in which something is typed that has not been entered yet. */
export function EntriesProvider({ children }: { children: ReactNode }) {
  const open = useRef(new Set<Commit>());
  const add = useCallback((commit: Commit) => {
    open.current.add(commit);
    return () => open.current.delete(commit);
  }, []);
  const finish = useCallback(async () => {
    for (const commit of [...open.current]) {
      if (!(await commit())) {
        return false;
      }
    }
    return true;
  }, []);
  return <Context.Provider value={useMemo(() => ({ add, finish }), [add, finish])}>{children}</Context.Provider>;
}

/** Takes all that is typed into the sheet, one field after the other; false where one of them cannot be taken as it is. */
export const useFinishEntries = (): (() => Promise<boolean>) => useContext(Context)?.finish ?? (() => Promise.resolve(true));

/** While something is typed here, it is entered before the sheet goes on to its next step. */
export function useOpenEntry(isTyped: boolean, commit: Commit): void {
  const entries = useContext(Context);
  const latest = useRef(commit);
  useEffect(() => {
    latest.current = commit;
  });
  useEffect(() => (isTyped ? entries?.add(() => latest.current()) : undefined), [entries, isTyped]);
}
