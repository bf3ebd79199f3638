import { useMemo } from 'react';
import { daysFrom } from '@/core/day-count';
import { CUSTOMER_NAME, STOCK_NAME } from '@/core/market/stock-name';
import type { OfferFacts } from '@/core/planning/filters/offer-filters';
import { useJob } from '../../job/job-context';

/** What filters go by beside the modules: what is known of each offer, and in how many days it is needed. */
export function useOfferFacts(): { factsOf: (offer: string) => OfferFacts | undefined; inDays: number | null } {
  const { job } = useJob();
  const { supplies, sellersRated, neededBy, today } = job;
  return useMemo(() => {
    const factsOf = (offer: string): OfferFacts | undefined => {
      const supply = supplies[offer];
      if (supply === undefined) return undefined;
      const { seller, leadDays, rated } = supply;
      const rating = (rated ?? sellersRated[seller])?.rating ?? null;
      return { seller, leadDays, rating, isOwn: seller === STOCK_NAME || seller === CUSTOMER_NAME };
    };
    return { factsOf, inDays: neededBy === null ? null : daysFrom(today, neededBy) };
  }, [supplies, sellersRated, neededBy, today]);
}
