import type { ReactNode } from 'react';

/** A part of what is known of somebody, under its name. */
export function Part({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section className="mb-4">
      <h2 className="mb-0.5 text-note font-semibold text-muted">{title}</h2>
      {children}
    </section>
  );
}
