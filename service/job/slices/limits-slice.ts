import { caseOfJob } from '../../../core/machine/case-of-job';
import { resolveClaims } from '../../../core/machine/limits/resolve-claims';
import { caseName } from '../job-names';
import { claimsOfJob } from '../limits/job-claims';
import type { Pieces } from './pieces';
import type { LimitsSlice } from './slice';

export async function limitsSlice(pieces: Pieces): Promise<LimitsSlice> {
  const [job, shop, model, slots, readings, joined, needs, stored, trials, decisions, labour] = await Promise.all([
    pieces.job(),
    pieces.shop(),
    pieces.model(),
    pieces.slots(),
    pieces.readings(),
    pieces.joined(),
    pieces.needs(),
    pieces.claims(),
    pieces.trials(),
    pieces.decisions(),
    pieces.labour(),
  ]);
  const said = claimsOfJob({
    job,
    model,
    slots,
    readings,
    joined,
    systems: needs.systems,
    stored,
    trials,
    decisions,
  });
  const limits = resolveClaims(said.claims);
  const bareCase = caseOfJob({
    name: caseName(job),
    currency: shop.currency,
    slots,
    limits,
    offers: [],
    labourCents: labour.cents,
    goal: {},
  });
  return { ...said, limits, needs, bareCase, gaps: bareCase.ok ? [] : bareCase.gaps };
}
