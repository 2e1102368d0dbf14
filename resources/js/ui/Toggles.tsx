/** Several of a few, each a press. */
export function Toggles<T extends string | number>({
  label,
  options,
  chosen,
  choose,
}: {
  label: string;
  options: { value: T; label: string }[];
  chosen: T[];
  choose: (next: T[]) => void;
}) {
  return (
    <fieldset className="flex flex-wrap gap-1">
      <legend className="mb-1 text-note font-semibold text-muted">{label}</legend>
      {options.map(({ value, label: text }) => {
        const on = chosen.includes(value);
        return (
          <button
            key={value}
            type="button"
            aria-pressed={on}
            onClick={() => choose(options.map((one) => one.value).filter((one) => (one === value ? !on : chosen.includes(one))))}
            className={`rounded border px-1.5 py-0.5 ${on ? 'border-ink bg-ink font-semibold text-on-ink' : 'border-muted bg-sheet'}`}
          >
            {text}
          </button>
        );
      })}
    </fieldset>
  );
}
