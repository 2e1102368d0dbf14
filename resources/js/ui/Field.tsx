import { useId, type InputHTMLAttributes, type ReactNode, type Ref, type SelectHTMLAttributes } from 'react';

const BOX = 'w-full rounded-md border border-muted bg-sheet px-2.5 py-1.5 text-ink';

type Common = { label: string; error?: string | undefined; hint?: ReactNode; hideLabel?: boolean };

function Frame({ id, label, error, hint, hideLabel, children }: Common & { id: string; children: ReactNode }) {
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'text-note font-semibold text-muted'}>
        {label}
      </label>
      {children}
      {hint && (
        <p id={`${id}-hint`} className="text-note text-muted">
          {hint}
        </p>
      )}
      {error && (
        <p id={`${id}-error`} role="alert" className="text-note font-semibold text-broken">
          {error}
        </p>
      )}
    </div>
  );
}

const described = (id: string, error?: string, hint?: ReactNode) =>
  [hint ? `${id}-hint` : '', error ? `${id}-error` : ''].filter(Boolean).join(' ') || undefined;

export function TextField({
  label,
  error,
  hint,
  hideLabel = false,
  className = '',
  ...rest
}: Common & InputHTMLAttributes<HTMLInputElement> & { ref?: Ref<HTMLInputElement> }) {
  const id = useId();
  return (
    <Frame id={id} label={label} error={error} hint={hint} hideLabel={hideLabel}>
      <input
        id={id}
        className={`${BOX} ${className}`}
        aria-invalid={error ? true : undefined}
        aria-describedby={described(id, error, hint)}
        {...rest}
      />
    </Frame>
  );
}

export function SelectField({
  label,
  error,
  hint,
  hideLabel = false,
  className = '',
  children,
  ...rest
}: Common & SelectHTMLAttributes<HTMLSelectElement>) {
  const id = useId();
  return (
    <Frame id={id} label={label} error={error} hint={hint} hideLabel={hideLabel}>
      <select
        id={id}
        // As high as a field beside it.
        className={`${BOX} min-h-[2.125rem] ${className}`}
        aria-invalid={error ? true : undefined}
        aria-describedby={described(id, error, hint)}
        {...rest}
      >
        {children}
      </select>
    </Frame>
  );
}
