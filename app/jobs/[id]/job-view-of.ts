import { type Caller, mayDo } from '@/service/access';
import { draftOptions } from '@/service/draft-options';
import type { JobState } from '@/service/job-state';
import { proofFindings } from '@/service/proof';
import type { JobView } from '@/ui/job/job-view';

/** What the screens of a job need of its state. Sellers' names and days go along, what offers cost does not. */
export function jobViewOf(state: JobState, caller: Caller): JobView {
  const { shop, job, model, reading, jobCase, draft } = state;
  return {
    id: job.id,
    may: { decideLimits: mayDo(caller.role, 'limits.decide') },
    customer: { name: job.customer.name, phone: job.customer.phone, email: job.customer.email },
    machine: {
      maker: job.machineMaker,
      name: job.machineName,
      serial: job.serial,
      modelId: job.modelId,
      modelName: model === null ? null : `${model.maker} ${model.name}`,
    },
    complaint: job.complaint,
    needMiB: job.needMiB,
    budgetCents: job.budgetCents,
    currency: shop.currency,
    taxBp: shop.taxBp,
    validityDays: shop.validityDays,
    slots: state.slots,
    slotsVersion: job.slotsVersion,
    reading:
      reading === null
        ? null
        : {
            sourceName: reading.sourceName,
            warnings: reading.result.warnings,
            cpu: reading.result.machine.cpus[0]?.name ?? null,
          },
    limits: state.limits,
    limitsAgreed: job.limitsAgreedAt !== null,
    gaps: state.gaps,
    assumed: jobCase.ok ? jobCase.assumed : [],
    planCase: jobCase.ok ? jobCase.planCase : null,
    supplies: Object.fromEntries(
      [...state.market.supplies].map(([offer, { seller, leadDays }]) => [offer, { seller, leadDays }]),
    ),
    slip: draftOptions(state),
    suggested: draft?.suggested ?? null,
    sent: state.sent.map((quote) => ({
      number: quote.number,
      version: quote.version,
      state: quote.state,
      token: quote.token,
      sentOn: quote.snapshot.sentOn,
      sentBy: quote.sentBy,
      validUntil: quote.validUntil,
      options: quote.snapshot.options,
    })),
    proof: proofFindings(state),
    standings: state.standings,
  };
}
