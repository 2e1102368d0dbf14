import { Popover as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

export type PopoverProps = {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  trigger: ReactNode;
  label: string;
  children: ReactNode;
  className?: string;
};

/** A small editor that opens at the words it changes. */
export function Popover({ open, onOpenChange, trigger, label, children, className = 'w-80' }: PopoverProps) {
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Trigger asChild>{trigger}</Radix.Trigger>
      <Radix.Portal>
        <Radix.Content
          role="dialog"
          aria-label={label}
          align="start"
          sideOffset={8}
          collisionPadding={12}
          className={`z-50 flex max-w-[calc(100vw-1.5rem)] flex-col gap-3 rounded-lg border border-line bg-sheet p-4 text-ink shadow-xl ${className}`}
        >
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
