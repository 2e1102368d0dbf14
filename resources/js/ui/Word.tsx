import { useState, type ReactNode } from 'react';
import { Popover } from './Popover';

export type WordProps = {
  label: string;
  text: string;
  /** Whoever may not change them reads plain words. */
  locked?: boolean;
  className?: string;
  children: (close: () => void) => ReactNode;
};

/** Words of a sentence that can be changed: underlined, with a small editor behind. */
export function Word({ label, text, locked = false, className = '', children }: WordProps) {
  const [open, setOpen] = useState(false);
  if (locked) {
    return <strong>{text}</strong>;
  }
  return (
    <Popover
      open={open}
      onOpenChange={setOpen}
      label={label}
      trigger={
        <button type="button" className={`changeable text-left ${className}`} aria-label={`${label}: ${text}`}>
          {text}
        </button>
      }
    >
      {children(() => setOpen(false))}
    </Popover>
  );
}
