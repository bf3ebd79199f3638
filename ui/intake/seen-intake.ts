import type { PageJob } from '@/service/job/view';

/** What the page shows of each Intake field, by the names that the server has for them. */
export function intakeOf(job: PageJob): Record<string, unknown> {
  const { customer, machine, wants, cpu } = job;
  return {
    customerName: customer.name,
    phone: customer.phone,
    email: customer.email,
    language: customer.language,
    taxExempt: customer.taxExempt,
    street: customer.street,
    postalCode: customer.postalCode,
    town: customer.town,
    country: customer.country,
    taxNumber: customer.taxNumber,
    machineMaker: machine.maker,
    machineName: machine.name,
    serial: machine.serial,
    machines: machine.count,
    moreSerials: machine.moreSerials,
    complaint: job.complaint,
    needMiB: job.needMiB,
    budgetCents: job.budgetCents,
    cpu: cpu.told,
    uses: wants.uses,
    fullPart: wants.full,
    inUseMiB: wants.inUseMiB,
    neededBy: job.neededBy,
    cover: job.cover,
    os: wants.os,
    osBits: wants.osBits,
    notBought: job.notBought,
    partsOnly: job.partsOnly,
    makerTotalMiB: job.makerAsks.totalMiB,
    makerCents: job.makerAsks.cents,
  };
}
