import type { CustomerOption } from '../core/quoting/customer-view';
import { customerOptions } from '../core/quoting/staff-view';
import type { Language } from '../core/quoting/words/language';
import { draftOptions } from './draft-options';
import { machineName, showJob } from './job-state';

/** What a job's draft offers, as its customer may see it. Capacity MiB, money minor units. */
export interface CustomerScreen {
  jobId: number;
  language: Language;
  currency: string;
  machine: string;
  todayMiB: number;
  isExempt: boolean;
  isTaxAdded: boolean;
  options: CustomerOption[];
}

/** The screen turned to the customer; null: there is no such job. */
export async function customerScreen(jobId: number): Promise<CustomerScreen | null> {
  const state = await showJob(jobId);
  if (state === null) return null;
  const { job, shop, slots, language, pricing } = state;
  return {
    jobId,
    language,
    currency: shop.currency,
    machine: machineName(job),
    todayMiB: slots.reduce((sum, { module }) => sum + (module?.capacityMiB ?? 0), 0),
    isExempt: pricing.exempt !== null,
    isTaxAdded: pricing.taxWay === 'added',
    options: customerOptions(draftOptions(state).flatMap((one) => (one.ok ? [one.option] : []))),
  };
}
