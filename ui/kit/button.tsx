import type { ButtonHTMLAttributes } from 'react';

type Weight = 'act' | 'plain' | 'quiet';

const LOOKS: Record<Weight, string> = {
  act: 'bg-act text-on-act hover:bg-act-hover font-semibold',
  plain: 'bg-sheet text-ink border border-edge hover:bg-sunk font-medium',
  quiet: 'text-ink underline decoration-edge underline-offset-4 hover:decoration-ink',
};

/** A button's classes, for links that look like one. */
export function buttonLook(weight: Weight, more = ''): string {
  const box = weight === 'quiet' ? 'px-1 min-h-6' : 'px-3.5 min-h-9';
  return `inline-flex items-center justify-center gap-2 rounded-notch ${box} text-sm disabled:opacity-55 disabled:cursor-not-allowed cursor-pointer ${LOOKS[weight]} ${more}`;
}

/** A button; only one on a screen acts in colour. */
export function Button({
  weight = 'plain',
  className = '',
  ...rest
}: ButtonHTMLAttributes<HTMLButtonElement> & { weight?: Weight }) {
  return <button type="button" {...rest} className={buttonLook(weight, className)} />;
}
