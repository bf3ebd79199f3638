import type { FactoryOption } from '../machine/models/model';
import type { SoldAs } from './factory-yardstick';

/** What somebody typed of the maker's price for one job: over what is in the machine today. Capacity MiB, money minor units. */
export interface TypedAsks {
  totalMiB: number | null;
  cents: number | null;
}

/** What the maker sells the machine in: what was typed for the job, where it says anything, else what the model knows. */
export function asksOf(known: readonly FactoryOption[], { totalMiB, cents }: TypedAsks, todayMiB: number): SoldAs[] {
  if (totalMiB === null || cents === null || totalMiB <= todayMiB) return [...known];
  return [
    { totalMiB: todayMiB, surchargeCents: 0, baseModel: '' },
    { totalMiB, surchargeCents: cents, baseModel: '', isTyped: true },
  ];
}
