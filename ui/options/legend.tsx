import { CARES, type Care } from '@/core/planning/care';
import { LANES, type Lane } from '@/core/planning/case';
import type { Reuse } from '@/core/planning/lane-and-reuse';
import { LANE_WORDS } from './lane-words';
import { PlanShape } from './plan-shape';

const REUSE_WORDS: Record<Exclude<Reuse, 'rearrange'>, string> = {
  add: 'all old stay',
  swap: 'some stay',
  replace: 'none stays',
};

/** What the shapes mean: lane by shape, care by outline, old modules by fill. Only what is on screen is named. */
export function Legend({ lanes, cares }: { lanes: ReadonlySet<Lane>; cares: ReadonlySet<Care> }) {
  const reuses = Object.entries(REUSE_WORDS) as [Reuse, string][];
  return (
    <ul className="flex flex-wrap gap-x-3 gap-y-0 text-xs text-ink-2 items-center" aria-label="What the shapes mean">
      {LANES.filter((lane) => lanes.has(lane)).map((lane) => (
        <li key={lane} className="flex items-center">
          <PlanShape lane={lane} care="clear" reuse="replace" />
          {LANE_WORDS[lane]}
        </li>
      ))}
      <li aria-hidden="true" className="h-4 border-l border-edge" />
      {CARES.filter((care) => care !== 'clear' && cares.has(care)).map((care) => (
        <li key={care} className="flex items-center">
          <PlanShape lane="third-party" care={care} reuse="replace" />
          {care}
        </li>
      ))}
      {reuses.map(([reuse, words]) => (
        <li key={reuse} className="flex items-center">
          <PlanShape lane="third-party" care="clear" reuse={reuse} />
          {words}
        </li>
      ))}
    </ul>
  );
}
