import type { Assumed, Gap } from '@/core/machine/case-of-job';
import type { JobSlot } from '@/core/machine/job-slot';
import type { Station, StationStanding } from '@/core/machine/station';
import type { Limits } from '@/core/machine/weigh';
import type { PlanCase } from '@/core/planning/case';
import type { Finding } from '@/core/proving/compare-proof';
import type { QuoteOption } from '@/core/quoting/snapshot';

/** Where an offer's modules come from. */
export interface OfferSupply {
  seller: string;
  leadDays: number | null;
}

export type SlipOption =
  | { place: number; ok: true; option: QuoteOption }
  | { place: number; ok: false; sentence: string };

export interface SentVersion {
  number: string;
  version: number;
  state: 'sent' | 'replaced';
  token: string;
  sentOn: string;
  sentBy: string | null;
  validUntil: string;
  options: QuoteOption[];
}

/** A job as the screens of its stations need it; staff only. Capacities MiB, money minor units with tax. */
export interface JobView {
  id: number;
  /** what the person who looks may do here */
  may: { decideLimits: boolean };
  customer: { name: string; phone: string; email: string };
  machine: { maker: string; name: string; serial: string; modelId: number | null; modelName: string | null };
  complaint: string;
  needMiB: number | null;
  budgetCents: number | null;
  currency: string;
  taxBp: number;
  validityDays: number;
  slots: JobSlot[];
  slotsVersion: number;
  reading: { sourceName: string; warnings: string[]; cpu: string | null } | null;
  limits: Limits;
  limitsAgreed: boolean;
  gaps: Gap[];
  assumed: Assumed[];
  planCase: PlanCase | null;
  supplies: Record<string, OfferSupply>;
  slip: SlipOption[];
  suggested: number | null;
  sent: SentVersion[];
  proof: { place: number; findings: Finding[] } | null;
  standings: Record<Station, StationStanding>;
}
