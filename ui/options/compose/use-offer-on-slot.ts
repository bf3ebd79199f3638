import { useEffect } from 'react';
import { planKey } from '@/core/planning/filters/ladder';
import type { PlanCase } from '@/core/planning/model/case';
import type { Plan } from '@/core/planning/search/plan';
import { useJob } from '../../job/job-context';
import type { Steered } from '../steer/use-steering';
import { setToday, withOfferAt } from './set-packs';
import type { useHandMade } from './use-hand-made';

/** An offer that is dropped on a slot of the board goes into the set, or changes the plan that is looked at by hand. */
export function useOfferOnSlot(
  planCase: PlanCase,
  hand: ReturnType<typeof useHandMade>,
  looked: Plan | null,
  { compose }: Pick<Steered, 'compose'>,
): void {
  const { offerOnSlot } = useJob();
  useEffect(() => {
    const set = hand.set ?? looked ?? setToday(planCase);
    const plan = hand.set === null ? looked : hand.plan;
    offerOnSlot.current = (slot, offer) => compose(planKey(withOfferAt(planCase, set, plan, { slot, offer })));
    return () => {
      offerOnSlot.current = null;
    };
  }, [planCase, hand, looked, compose, offerOnSlot]);
}
