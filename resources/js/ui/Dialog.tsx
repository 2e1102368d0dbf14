import { Dialog as Radix } from 'radix-ui';
import type { ReactNode } from 'react';

export type DialogProps = {
  open: boolean;
  onOpenChange: (open: boolean) => void;
  title: string;
  description?: string;
  /** For an editor with something beside it. */
  wide?: boolean;
  children: ReactNode;
};

export function Dialog({ open, onOpenChange, title, description, wide = false, children }: DialogProps) {
  return (
    <Radix.Root open={open} onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-40 bg-[#0c121c]/50" />
        <Radix.Content
          className={`fixed left-1/2 z-50 flex -translate-x-1/2 flex-col gap-3 overflow-y-auto rounded-lg bg-sheet p-5 text-ink shadow-xl ${wide ? 'top-[5vh] max-h-[90vh] w-[min(56rem,calc(100vw-2rem))]' : 'top-[12vh] max-h-[80vh] w-[min(34rem,calc(100vw-2rem))]'}`}
          {...(description ? {} : { 'aria-describedby': undefined })}
        >
          <Radix.Title className="narrow text-19 font-semibold">{title}</Radix.Title>
          {description && <Radix.Description className="text-muted">{description}</Radix.Description>}
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
