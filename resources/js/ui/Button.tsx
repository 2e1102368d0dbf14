import type { ButtonHTMLAttributes, Ref } from 'react';

export type ButtonProps = ButtonHTMLAttributes<HTMLButtonElement> & {
  /** main: the next step; plain: any other; quiet: words with an underline; danger: what cannot be undone. */
  look?: 'main' | 'plain' | 'quiet' | 'danger';
  small?: boolean;
  ref?: Ref<HTMLButtonElement>;
};

const LOOKS = {
  main: 'bg-ink text-on-ink border border-ink font-semibold hover:opacity-90',
  plain: 'bg-sheet text-ink border border-ink font-semibold hover:bg-paper',
  danger: 'bg-sheet text-broken border border-broken font-semibold hover:bg-paper',
  quiet: 'changeable font-medium text-ink',
};

export function Button({ look = 'plain', small = false, className = '', type = 'button', ...rest }: ButtonProps) {
  const size = look === 'quiet' ? '' : small ? 'rounded-md px-2.5 py-1' : 'rounded-md px-4 py-2';
  return <button type={type} className={`${LOOKS[look]} ${size} disabled:opacity-50 ${className}`} {...rest} />;
}
