import type { Claim, LimitName } from '@/core/machine/limits/limit';

/** What somebody of the shop decided of a limit for this job, as the page shows it; null: nothing. */
export function decidedOf(claims: readonly Claim[], limit: LimitName): unknown {
  return claims.find((claim) => claim.limit === limit && claim.source.kind === 'technician')?.value ?? null;
}
