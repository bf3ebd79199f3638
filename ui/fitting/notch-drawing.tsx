'use client';
import { useTranslations } from '#translations';
import type { FittingStep } from '@/core/fitting/checklist';
import { keysOf } from '@/core/memory/outline';

const WIDTH = 300;
const EDGE = { x: 26, y: 52, width: 248 };

/** A module over its socket, both seen from the front: where the notch is, and the two latches that close. */
export function NotchDrawing({ notch }: { notch: NonNullable<FittingStep['notch']> }) {
  const t = useTranslations('fitting');
  const keys = keysOf(notch.generation, notch.form);
  const at = (share: number) => EDGE.x + EDGE.width * share;
  const where = keys.map((share) => `${Math.round(share * 100)} %`).join(' and ');
  const contacts = Array.from({ length: 42 }, (_, nr) => EDGE.x + 4 + nr * 5.8).filter((x) =>
    keys.every((share) => Math.abs(x + 1.5 - at(share)) > 6),
  );
  return (
    <svg
      viewBox={`0 0 ${WIDTH} 104`}
      className="w-full max-w-sm"
      role="img"
      aria-label={t('notch.alt', {
        value: notch.generation ?? t('notch.module'),
        value2: notch.form === null ? '' : `, ${notch.form}`,
        where,
      })}
    >
      <rect x={EDGE.x} y="8" width={EDGE.width} height="44" rx="2" className="fill-board" />
      {[0.06, 0.18, 0.3, 0.42, 0.58, 0.7, 0.82].map((share) => (
        <rect key={share} x={at(share)} y="15" width="22" height="18" className="fill-none stroke-board-ink" />
      ))}
      {contacts.map((x) => (
        <rect key={x} x={x} y="44" width="3" height="8" className="fill-contact" />
      ))}
      {keys.map((share) => (
        <g key={share}>
          <rect x={at(share) - 4} y="42" width="8" height="11" className="fill-sheet" />
          <path d={`M${at(share)} 56v14`} className="stroke-act" strokeWidth="2.5" strokeDasharray="4 3" />
          <rect x={at(share) - 3} y="70" width="6" height="10" className="fill-ink" />
        </g>
      ))}
      <rect x={EDGE.x - 4} y="80" width={EDGE.width + 8} height="12" className="fill-none stroke-ink" strokeWidth="2" />
      <path d={`M${EDGE.x - 8} 92V66l6-6`} className="stroke-ink fill-none" strokeWidth="3.5" />
      <path d={`M${EDGE.x + EDGE.width + 8} 92V66l-6-6`} className="stroke-ink fill-none" strokeWidth="3.5" />
    </svg>
  );
}
