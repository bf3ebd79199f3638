import type { Language } from '@/core/language';
import type { Assumed, Gap } from '@/core/machine/case-of-job';
import type { Shown } from '@/core/machine/gap-words';
import type { Trial } from '@/core/machine/limits/evidence';
import type { Claim, LimitName } from '@/core/machine/limits/limit';
import type { Limits } from '@/core/machine/limits/weigh';
import type { CpuChoice, FactoryOption } from '@/core/machine/models/model';
import type { Inside, TakenSpecification } from '@/core/machine/models/taken-specification';
import type { ApartQuestion } from '@/core/machine/models/tell-apart';
import type { JobSlot } from '@/core/machine/slots/job-slot';
import type { Fact, SlotFacts } from '@/core/machine/slots/slot-facts';
import type { Station, StationStanding } from '@/core/machine/station';
import type { SystemNeed, UseNeed, Wants } from '@/core/machine/suggest-target';
import type { Steering } from '@/core/planning/filters/steering';
import type { PlanCase } from '@/core/planning/model/case';
import type { Labour } from '@/core/pricing/labour';
import type { PricingRule } from '@/core/pricing/pricing-rule';
import type { SeenDrift } from '@/core/quoting/drift/seen-drift';
import type { Answer, Question, Standing as QuoteStanding } from '@/core/quoting/quote-answer';
import type { SeenOption } from '@/core/quoting/staff-view';
import type { QuoteTerms } from '@/core/quoting/terms-schema';
import type { PhotoCode, WeighedPhoto } from '@/core/reading/photo/photo-words';
import type { PanelAsks } from '../intake/readings/panel-form';
import type { WorkView } from './work-view';

/** Where an offer's modules come from. */
export interface OfferSupply {
  seller: string;
  leadDays: number | null;
  /** how old its price is, where it may not hold any more */
  aged: string | null;
  /** days since its price was noted; null: it is the shop's own */
  priceDays: number | null;
  /** lists of tested parts of this model that name it */
  testedBy: string[];
}

/** One input that was read, in one line. */
export interface ReadingRow {
  id: number;
  name: string;
  line: string;
  warnings: string[];
  setAside: boolean;
  /** why it was not joined with the others; null where it was */
  apart: string | null;
  specification: SpecificationView | null;
}

/** A photograph of the job, with what was read off it and nobody has looked at yet. */
export interface PictureView {
  id: number;
  station: 'intake' | 'fitting' | 'proof';
  name: string;
  caption: string;
  width: number;
  height: number;
  words: (WeighedPhoto & { codes: PhotoCode[] }) | null;
  inFitting: boolean;
}

/** A specification that was read: what it claims, and what was taken of it. */
export interface SpecificationView {
  about: 'machine' | 'board' | 'cpu';
  /** empty: it does not say its name */
  name: string;
  /** what it says of slots and channels, in words */
  board: string;
  claims: { limit: LimitName; value: unknown; quote: string }[];
  /** how the machine may have been sold, the likeliest first */
  insides: Inside[];
  likely: TakenSpecification['source'];
  taken: TakenSpecification | null;
}

/** A job of before of the same customer or machine. */
export interface EarlierRow {
  id: number;
  customer: string;
  machine: string;
  serial: string;
  totalMiB: number;
  quoteNumber: string | null;
  /** the day it was opened, as text */
  on: string;
  by: 'serial' | 'customer' | 'phone' | 'email' | 'name';
}

export type SlipOption =
  | {
      place: number;
      ok: true;
      option: SeenOption;
      /** does it bring the shop's lowest margin; `released`: it does not, and an owner lets it go */
      lowest: 'reached' | 'below' | 'released';
    }
  | { place: number; ok: false; sentence: string };

/** A mail of a version, and how far it has come. Times as ISO 8601. */
export interface SentMail {
  id: number;
  kind: 'quote' | 'reminder';
  to: string;
  state: 'waiting' | 'sending' | 'sent' | 'refused' | 'unsure' | 'given-up';
  tries: number;
  nextAt: string;
  /** what the last try came to */
  sentence: string | null;
  sentAt: string | null;
}

export interface SentVersion {
  number: string;
  version: number;
  state: 'sent' | 'replaced';
  /** how the customer reaches it; null: the link was withdrawn. Its unguessable part; null: it can be shown no more */
  link: { token: string | null } | null;
  mail: SentMail[];
  /** what it changes against the version before it; null: it is the first */
  change: string | null;
  sentOn: string;
  sentBy: string | null;
  validUntil: string;
  options: SeenOption[];
  standing: QuoteStanding;
  /** the day on which the customer first opened it; null: not yet */
  openedOn: string | null;
  answer: Answer | null;
  /** what was asked about it, the earliest first */
  questions: Question[];
}

/** A job as the screens of its stations need it; staff only. Capacities MiB, money minor units with tax. */
export interface JobView {
  id: number;
  /** what the person who looks may do here */
  may: {
    decideLimits: boolean;
    writeLibrary: boolean;
    signProofs: boolean;
    writeStock: boolean;
    sellBelowLowest: boolean;
  };
  customer: { name: string; phone: string; email: string; language: Language | null; taxExempt: string | null };
  machine: { maker: string; name: string; serial: string; modelId: number | null; modelName: string | null };
  /** how it ended, where it is closed; null: it is open */
  closed: { as: 'done' | 'declined' | 'not-possible' | 'dropped' | null; why: string; on: string } | null;
  complaint: string;
  needMiB: number | null;
  budgetCents: number | null;
  /** how the ladder was left */
  steering: Steering;
  /** plans within so much of the least price of their rung count as equally cheap, hundredths of a percent */
  bestToleranceBp: number;
  wants: Wants;
  neededBy: string | null;
  cover: 'none' | 'warranty' | 'support' | null;
  notBought: boolean;
  /** configurations that the maker sells, where the library knows them */
  factory: { options: FactoryOption[]; mostMiB: number | null };
  /** what the shop holds uses and systems to need */
  needs: { uses: UseNeed[]; systems: SystemNeed[]; floorMiB: number };
  earlier: EarlierRow[];
  /** where the readings may mean several models */
  modelQuestion: ApartQuestion | null;
  cpu: { told: string; chosen: CpuChoice | null; choices: readonly CpuChoice[] };
  currency: string;
  taxBp: number;
  validityDays: number;
  slots: JobSlot[];
  slotsVersion: number;
  readings: ReadingRow[];
  pictures: PictureView[];
  /** what a system's screen shows of all modules together */
  shown: Shown;
  /** what a system's screen may still tell that no reading said */
  panelAsks: PanelAsks;
  /** what the readings say of the machine itself */
  machineFacts: Fact[];
  /** what is said of every slot, by its name */
  slotFacts: Record<string, SlotFacts>;
  /** what different readings say of one thing and cannot both be true */
  readingWarnings: string[];
  /** everything that anybody says of the machine's limits */
  claims: Claim[];
  limits: Limits;
  trials: Trial[];
  limitsAgreed: boolean;
  gaps: Gap[];
  assumed: Assumed[];
  planCase: PlanCase | null;
  supplies: Record<string, OfferSupply>;
  slip: SlipOption[];
  /** what holds for the whole draft */
  terms: QuoteTerms;
  /** what its papers are written in */
  language: Language;
  /** the day where the shop is */
  today: string;
  pricing: PricingRule;
  labour: Labour;
  suggested: number | null;
  sent: SentVersion[];
  /** what moved behind the version that is out */
  drifts: SeenDrift[];
  /** what follows a customer's yes */
  work: WorkView;
  standings: Record<Station, StationStanding>;
}
