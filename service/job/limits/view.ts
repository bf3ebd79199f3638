import type { Assumed, Gap } from '../../../core/machine/case-of-job';
import type { Trial } from '../../../core/machine/limits/evidence';
import type { Claim } from '../../../core/machine/limits/limit';
import type { Limits } from '../../../core/machine/limits/resolve-claims';
import type { CpuChoice } from '../../../core/machine/models/model';
import type { SystemNeed, UseNeed } from '../../../core/machine/suggest-target';
import type { JobWith } from '../slices/slice';

/** What Limits shows of a job. */
export interface LimitsView {
  /** what the shop holds uses and systems to need */
  needs: { uses: UseNeed[]; systems: SystemNeed[]; floorMiB: number };
  cpu: { told: string; chosen: CpuChoice | null; choices: readonly CpuChoice[] };
  /** everything that anybody says of the machine's limits */
  claims: Claim[];
  limits: Limits;
  trials: Trial[];
  limitsAgreed: boolean;
  gaps: Gap[];
  assumed: Assumed[];
}

export function limitsView(state: JobWith<'limits'>): LimitsView {
  const { needs, cpu, claims, limits, trials, gaps, bareCase, job } = state;
  return {
    needs,
    cpu,
    claims,
    limits,
    trials,
    limitsAgreed: job.limitsAgreedAt !== null,
    gaps,
    assumed: bareCase.ok ? bareCase.assumed : [],
  };
}
