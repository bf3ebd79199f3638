import { memo, useRef } from 'react';
import type { Reuse } from '@/core/planning/model/lane-and-reuse';
import type { Lane } from '@/core/planning/model/lanes';
import type { Care } from '@/core/planning/rules/care';
import { useGlide } from './glide';
import { ShapePaths } from './plan-shape';

interface PlanMarkProps {
  id: string;
  words: string;
  lane: Lane;
  care: Care;
  reuse: Reuse;
  /** px */
  x: number;
  y: number;
  looked: boolean;
  /** place on the slip, where it has one */
  place: number | null;
  /** it is outside of what is wanted */
  faded: boolean;
  reachable: boolean;
  onLook: (key: string) => void;
}

/** What is looked at stands between four corners: a ring would be taken for a line of the mark. */
const CORNERS = 'M-14-8V-14H-8M8-14H14V-8M14 8V14H8M-8 14H-14V8';

/** One plan on the ladder. It glides where it has moved, and appears where it is new. */
export const PlanMark = memo(function PlanMark(props: PlanMarkProps) {
  const { id, words, lane, care, reuse, x, y, looked, place, faded, reachable, onLook } = props;
  const mark = useRef<SVGGElement>(null);
  useGlide(mark, x, y);
  return (
    // biome-ignore lint/a11y/useSemanticElements: a part of a drawing that is pressed; HTML has no element for it
    <g
      ref={mark}
      role="button"
      data-plan={id}
      tabIndex={reachable ? 0 : -1}
      aria-pressed={looked}
      aria-label={words}
      onClick={() => onLook(id)}
      onKeyDown={(event) => {
        // A second press of Enter goes on to the station, which opens the plan.
        if (event.key === ' ' || (event.key === 'Enter' && !looked)) {
          event.preventDefault();
          event.stopPropagation();
          onLook(id);
        }
      }}
      style={{ transform: `translate(${x}px, ${y}px)` }}
      className={`plan-mark cursor-pointer ${looked ? 'text-act' : 'text-ink hover:text-act'}`}
    >
      <circle r="14" className="fill-transparent stroke-none" />
      {looked && <path d={CORNERS} className="fill-none stroke-act" strokeWidth="2.5" />}
      <g opacity={faded && !looked ? 0.34 : 1}>
        <ShapePaths lane={lane} care={care} reuse={reuse} />
      </g>
      {place !== null && (
        <g transform="translate(9,-9)">
          <circle r="7.5" className="fill-act" />
          <text textAnchor="middle" y="3.8" className="fill-on-act text-[11px] font-bold">
            {place}
          </text>
        </g>
      )}
    </g>
  );
});
