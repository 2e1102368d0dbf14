import { useEffect, type ReactNode } from 'react';

/** A page for whoever has not signed in. */
export function OutsidePage({ title, children }: { title: string; children: ReactNode }) {
  useEffect(() => {
    document.title = `${title} · Syndex`;
  }, [title]);
  return (
    <div className="min-h-screen bg-paper">
      <div className="flex h-11 items-center bg-top px-5 text-on-top">
        <span className="wide font-bold">Syndex</span>
      </div>
      <main className="mx-auto mt-[8vh] w-[min(26rem,calc(100vw-2rem))] bg-sheet p-6">
        <h1 className="narrow mb-5 text-25 font-semibold leading-8">{title}</h1>
        {children}
      </main>
    </div>
  );
}
