import type { ReactNode } from 'react';

type Tone = 'good' | 'mind' | 'stop';

const SIGNS: Record<Tone, { sign: string; text: string; edge: string }> = {
  good: { sign: '✓', text: 'text-good', edge: 'border-good' },
  mind: { sign: '△', text: 'text-mind', edge: 'border-mind' },
  stop: { sign: '✕', text: 'text-stop', edge: 'border-stop' },
};

/** A sentence that somebody must see; a sign goes before the colour. */
export function Notice({ tone, children, live = false }: { tone: Tone; children: ReactNode; live?: boolean }) {
  const { sign, text, edge } = SIGNS[tone];
  return (
    <div
      role={live ? 'alert' : undefined}
      className={`flex gap-2.5 border-l-4 ${edge} bg-sheet px-3 py-2 rounded-notch`}
    >
      <span aria-hidden="true" className={`${text} font-bold`}>
        {sign}
      </span>
      <div className="min-w-0">{children}</div>
    </div>
  );
}
