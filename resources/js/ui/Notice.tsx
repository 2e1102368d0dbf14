import { createContext, useCallback, useContext, useMemo, useState, type ReactNode } from 'react';

type Told = { text: string; tone: 'good' | 'broken'; action?: { label: string; run: () => void } | undefined; id: number };
type Tell = (text: string, options?: { tone?: 'good' | 'broken'; action?: { label: string; run: () => void }; seconds?: number }) => void;

const Context = createContext<Tell | null>(null);

/** Says at the foot of the page what happened, with a way back where there is one. */
export function NoticeProvider({ children }: { children: ReactNode }) {
  const [told, setTold] = useState<Told | null>(null);
  const tell = useCallback<Tell>((text, options = {}) => {
    const id = Date.now() + Math.random();
    setTold({ text, tone: options.tone ?? 'good', action: options.action, id });
    setTimeout(() => setTold((now) => (now?.id === id ? null : now)), (options.seconds ?? 8) * 1000);
  }, []);
  return (
    <Context.Provider value={useMemo(() => tell, [tell])}>
      {children}
      <div role="status" className="pointer-events-none fixed inset-x-0 bottom-20 z-50 flex justify-center px-4">
        {told && (
          <p
            className={`pointer-events-auto flex items-center gap-4 rounded-md bg-top px-4 py-2.5 text-on-top shadow-xl ${told.tone === 'broken' ? 'border-l-4 border-[#ff9a8f]' : ''}`}
          >
            <span>{told.text}</span>
            {told.action && (
              <button
                type="button"
                className="changeable font-semibold"
                onClick={() => {
                  told.action?.run();
                  setTold(null);
                }}
              >
                {told.action.label}
              </button>
            )}
          </p>
        )}
      </div>
    </Context.Provider>
  );
}

export function useTell(): Tell {
  const tell = useContext(Context);
  if (!tell) {
    throw new Error('useTell needs a NoticeProvider above it');
  }
  return tell;
}
