/** How far something long is. */
export function Progress({ label, done, total }: { label: string; done: number; total: number }) {
  const part = total > 0 ? Math.min(100, (done / total) * 100) : 0;
  return (
    <div
      role="progressbar"
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={total}
      aria-valuenow={done}
      className="h-3 w-full overflow-hidden rounded-sm border border-line bg-sheet"
    >
      <div className="h-full bg-sun" style={{ width: `${part}%` }} />
    </div>
  );
}
