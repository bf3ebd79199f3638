import type { CustomerScreen } from '../../../core/quoting/customer-view';
import { customerOptions } from '../../../core/quoting/staff-view';
import { pool } from '../../../store/database';
import { leadOf } from '../../../store/job/groups';
import type { Caller } from '../../staff/access';
import { allMachines, machinesName } from '../job-names';
import { draftOptions } from '../options/draft-options';
import { showSlices } from '../slices/read-slices';

/** The screen turned to the customer; null: there is no such job. */
export async function customerScreen(_: Caller<'jobs.read'>, asked: number): Promise<CustomerScreen | null> {
  // What is offered is of all groups of the job's machines.
  const jobId = await leadOf(pool(), asked);
  const state = await showSlices(jobId, ['machine', 'market', 'quote', 'others'] as const);
  if (state === null) return null;
  const { job, groups, shop, slots, language, pricing } = state;
  return {
    jobId,
    language,
    currency: shop.currency,
    machine: machinesName({ ...job, machines: allMachines(groups) }),
    todayMiB: slots.reduce((sum, { module }) => sum + (module?.capacityMiB ?? 0), 0),
    isExempt: pricing.exempt !== null,
    isTaxAdded: pricing.taxWay === 'added',
    options: customerOptions(draftOptions(state).flatMap((one) => (one.ok ? [one.option] : []))),
  };
}
