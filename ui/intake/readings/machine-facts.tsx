'use client';
import { useState } from 'react';
import type { Fact } from '@/core/machine/slots/slot-facts';
import { Tip } from '../../kit/tip';

/** A value with who says it, on hover and focus. */
function Sourced({ fact, within }: { fact: Fact; within: HTMLElement | null }) {
  const { label, text, by, also, against } = fact;
  const value = (
    <button
      type="button"
      className="font-medium text-left underline decoration-dotted decoration-edge underline-offset-4 min-h-6"
    >
      <span className="sr-only">{label}: </span>
      {text}
      {against.length > 0 && <span className="text-mind font-bold"> ≠</span>}
    </button>
  );
  return (
    <Tip about={value} side="bottom" within={within}>
      <p>{[by, ...also].join(', ')}</p>
      {against.map((other) => (
        <p key={`${other.text} ${other.by}`} className="text-mind">
          ≠ <span className="font-semibold">{other.text}</span> {other.by}
        </p>
      ))}
    </Tip>
  );
}

/** What the readings say of the machine itself, in a line; each value knows who says it. */
export function MachineFacts({ facts }: { facts: readonly Fact[] }) {
  const [here, setHere] = useState<HTMLElement | null>(null);
  if (facts.length === 0) return null;
  return (
    <dl ref={setHere} className="flex flex-wrap gap-x-4 gap-y-0.5 py-1.5 text-sm border-t border-line">
      {facts.map((fact) => (
        <div key={fact.label} className="flex gap-1.5 items-baseline">
          <dt aria-hidden="true" className="text-ink-2">
            {fact.label}
          </dt>
          <dd>
            <Sourced fact={fact} within={here} />
          </dd>
        </div>
      ))}
    </dl>
  );
}
