import type { OfferSort } from '@/core/market/offer-sort';

/** What the market is asked for: by what is typed, by what a machine takes, in an order. */
export interface AskedMarket {
  text: string;
  jobId: number | null;
  sort: OfferSort;
}

/** Hands over the offers that are found as a file; false where there is none to be had. */
export async function downloadOffers(asked: AskedMarket): Promise<boolean> {
  const answer = await fetch('/api/offers/export', {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify(asked),
  }).catch(() => null);
  if (!answer?.ok) return false;
  const address = URL.createObjectURL(await answer.blob());
  const link = document.createElement('a');
  link.href = address;
  link.download = 'offers.csv';
  link.click();
  URL.revokeObjectURL(address);
  return true;
}

/** Where the desk stands, so that it can be come back to and sent to somebody. */
export function addressOf({ text, jobId, sort }: AskedMarket): string {
  const query = new URLSearchParams();
  if (text !== '') query.set('find', text);
  if (jobId !== null) query.set('job', String(jobId));
  if (sort !== 'price') query.set('sort', sort);
  return query.size === 0 ? '/offers' : `/offers?${query}`;
}
