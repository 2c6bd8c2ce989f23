import type { ButtonHTMLAttributes, ReactNode } from 'react';

interface Props extends ButtonHTMLAttributes<HTMLButtonElement> {
  readonly look?: 'plain' | 'main' | 'quiet';
  readonly children: ReactNode;
}
const looks = {
  plain: 'border border-edge bg-sheet hover:bg-mark',
  main: 'border border-transparent bg-focus text-sheet hover:brightness-110',
  quiet: 'border border-transparent hover:bg-mark',
};

export function Button({ look = 'plain', className = '', children, ...rest }: Props): ReactNode {
  return (
    <button
      type="button"
      className={`inline-flex min-h-7 items-center gap-1.5 rounded-sm px-2.5 py-0.5 whitespace-nowrap ${looks[look]} ${className}`}
      {...rest}
    >
      {children}
    </button>
  );
}
