import type { JobView, OfferSupply } from './job-view';

/** What of a job is as large as its market. */
export type Market = Pick<JobView, 'planCase' | 'supplies'>;

/** A job without its market, which the page fetches beside its scripts rather than carry it. */
export type PageJob = Omit<JobView, keyof Market> & {
  /** there is a case to plan */
  hasCase: boolean;
  /** what is offered of what the slip buys */
  slipSupplies: Record<string, OfferSupply>;
};

/** Parts a job from its market, which goes its own way: the page would carry thousands of offers as so many parts. */
export function packJob({ planCase, supplies, ...job }: JobView): { job: PageJob; market: string } {
  const bought = job.slip.flatMap((one) => (one.ok ? one.option.shop.bought.map(({ offer }) => offer) : []));
  const slipSupplies = Object.fromEntries(
    bought.flatMap((offer) => (supplies[offer] === undefined ? [] : [[offer, supplies[offer]]])),
  );
  return {
    job: { ...job, hasCase: planCase !== null, slipSupplies },
    market: JSON.stringify({ planCase, supplies } satisfies Market),
  };
}
