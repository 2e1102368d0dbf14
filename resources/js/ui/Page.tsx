import { useEffect, type ReactNode } from 'react';

export type PageProps = { above?: ReactNode; heading: ReactNode; title: string; aside?: ReactNode; children: ReactNode };

/** Under the dark line: one heading that says what the page is about, then the work. */
export function Page({ above, heading, title, aside, children }: PageProps) {
  useEffect(() => {
    document.title = `${title} · Syndex`;
  }, [title]);
  return (
    <>
      <header className="flex flex-wrap items-end justify-between gap-x-6 gap-y-2 border-b border-line bg-sheet px-5 py-3">
        <div className="min-w-0 flex-[1_1_16rem]">
          {above && <div className="text-note text-muted">{above}</div>}
          <h1 className="narrow text-25 font-semibold leading-8 break-words">{heading}</h1>
        </div>
        {aside}
      </header>
      {children}
    </>
  );
}
