import type { Reuse } from '@/core/planning/model/lane-and-reuse';
import type { Lane } from '@/core/planning/model/lanes';
import type { Care } from '@/core/planning/rules/care';

/** Outlines by lane in a box from -9 to 9: a module with its notch, a disc, a tag, a kite, a bar. */
const OUTLINES: Record<Lane, string> = {
  original: 'M-8-7H8V7H2.6V3.6H-2.6V7H-8z',
  'third-party': 'M0-8A8 8 0 1 1 0 8A8 8 0 1 1 0-8z',
  used: 'M-8-7H8L0 8.5z',
  mixed: 'M0-9.5L9 0L0 9.5L-9 0z',
  none: 'M-9-4H9V4H-9z',
};

/** Share of the old modules that lives on, as the share of the shape that is filled from below. */
const FILLS: Record<Reuse, number> = { add: 1, rearrange: 1, swap: 0.5, replace: 0 };

const LINES: Record<Care, { width: number; dash: string | undefined }> = {
  clear: { width: 2, dash: undefined },
  'heads-up': { width: 2, dash: '3.2 2' },
  'off-book': { width: 2, dash: undefined },
};

interface PlanShapeProps {
  lane: Lane;
  care: Care;
  reuse: Reuse;
}

/** How a plan is drawn, around its middle: shape for the lane, outline for the care, fill for what lives on. Off-book has a double line. */
export function ShapePaths({ lane, care, reuse }: PlanShapeProps) {
  const outline = OUTLINES[lane];
  const { width, dash } = LINES[care];
  const fill = FILLS[reuse];
  return (
    <>
      <path d={outline} className="fill-sheet" />
      {fill > 0 && <path d={outline} className="fill-current" fillOpacity={fill === 1 ? 0.55 : 0} />}
      {fill === 0.5 && (
        <path d={outline} className="fill-current" fillOpacity="0.55" style={{ clipPath: 'inset(50% 0 0 0)' }} />
      )}
      <path d={outline} fill="none" stroke="currentColor" strokeWidth={width} strokeDasharray={dash} />
      {care === 'off-book' && (
        <path d={outline} fill="none" stroke="currentColor" strokeWidth="1.2" transform="scale(1.42)" />
      )}
    </>
  );
}

/** The same on its own, as keys to the picture have it. */
export function PlanShape(props: PlanShapeProps) {
  return (
    <svg viewBox="-13 -13 26 26" width="26" height="26" aria-hidden="true" className="block shrink-0">
      <ShapePaths {...props} />
    </svg>
  );
}
