import type { ComponentProps } from 'react';

/** A plain action; `strong` for the one a dialog is about. */
export function Button({ strong = false, className = '', ...rest }: ComponentProps<'button'> & { strong?: boolean }) {
  const look = strong ? 'border-ink bg-ink text-paper' : 'border-ink bg-transparent hover:bg-wash';
  return (
    <button
      type="button"
      className={`min-h-8 rounded-[3px] border px-3 text-number font-medium disabled:opacity-40 phone:min-h-11 ${look} ${className}`}
      {...rest}
    />
  );
}
