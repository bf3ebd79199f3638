import type { Steering } from '@/core/planning/filters/steering';
import type { PlanCase } from '@/core/planning/model/case';

export interface OfferFiltersProps {
  steering: Steering;
  onSteer: (patch: Partial<Steering>, live?: boolean) => void;
  planCase: PlanCase;
}
