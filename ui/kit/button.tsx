import type { ButtonHTMLAttributes } from 'react';

/** `act`: the one action that a screen is for; `plain`: others; `quiet`: small ones beside what they are about; `link`: leads elsewhere. */
type Weight = 'act' | 'plain' | 'quiet' | 'link';

const LOOKS: Record<Weight, string> = {
  act: 'bg-act text-on-act hover:bg-act-hover font-semibold',
  plain: 'bg-sheet text-ink border border-edge hover:bg-sunk font-medium',
  quiet: 'text-ink bg-sunk hover:bg-line font-medium',
  link: 'text-ink underline decoration-edge underline-offset-4 hover:decoration-ink',
};

/** A button's classes, for links that look like one; on paper neither is of use. */
export function buttonLook(weight: Weight, more = ''): string {
  const box = { act: 'px-3.5 min-h-9', plain: 'px-3.5 min-h-9', quiet: 'px-2 min-h-7', link: 'px-1 min-h-6' }[weight];
  return `print:hidden inline-flex items-center justify-center gap-2 rounded-notch ${box} text-sm disabled:opacity-55 disabled:cursor-not-allowed cursor-pointer ${LOOKS[weight]} ${more}`;
}

/** A button; only one on a screen acts in colour. */
export function Button({
  weight = 'plain',
  className = '',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { weight?: Weight }) {
  return <button type="button" {...rest} className={buttonLook(weight, className)} />;
}
