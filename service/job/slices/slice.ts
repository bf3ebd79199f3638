import type { Language } from '../../../core/language';
import type { Gap, JobCase } from '../../../core/machine/case-of-job';
import type { Trial } from '../../../core/machine/limits/evidence';
import type { Claim } from '../../../core/machine/limits/limit';
import type { Limits } from '../../../core/machine/limits/resolve-claims';
import type { ApartQuestion } from '../../../core/machine/models/disambiguate';
import type { FactoryOption } from '../../../core/machine/models/model';
import type { JobSlot } from '../../../core/machine/slots/job-slot';
import type { Joined } from '../../../core/machine/slots/join-readings';
import type { PlacedSlot } from '../../../core/machine/slots/slots-of-reading';
import type { Labour } from '../../../core/pricing/labour';
import type { PricingRule } from '../../../core/pricing/pricing-rule';
import type { NamedDrift } from '../../../core/quoting/drift/named-drift';
import type { QuoteTerms } from '../../../core/quoting/terms-schema';
import type { UsualLine } from '../../../core/quoting/usual-line';
import type { EarlierJob } from '../../../store/job/earlier-jobs';
import type { Fitting } from '../../../store/job/fittings';
import type { Group } from '../../../store/job/groups';
import type { JobPicture } from '../../../store/job/job-pictures';
import type { Job } from '../../../store/job/jobs';
import type { StoredAnswer } from '../../../store/job/quote-answers';
import type { Draft, SentQuote } from '../../../store/job/quotes';
import type { KeptReading } from '../../../store/job/readings';
import type { Model } from '../../../store/library/models';
import type { Mail } from '../../../store/mail/mail';
import type { Needs } from '../../../store/shop/needs';
import type { Shop } from '../../../store/shop/shop';
import type { TextsInLanguage } from '../../shop/shop-texts';
import type { JobWork } from '../bench/job-work';
import type { JobCpu } from '../limits/job-claims';
import type { Market } from '../options/offers-for-job';
import type { QuoteLink } from '../quote/quote-links';

/** What every use of a job begins with. */
export interface Header {
  shop: Shop;
  job: Job;
  /** its machines, those that are equal together; most jobs have one group of one */
  groups: Group[];
  /** the day where the shop is */
  today: string;
}

/** What was read of the machine, and what follows from it. */
export interface ReadingsSlice {
  /** all readings at intake, the last first */
  readings: KeptReading[];
  /** its photographs, in the order of their taking */
  pictures: JobPicture[];
  /** what those readings that are not set aside come to */
  joined: Joined;
  /** the slots that follow from them and the model, before anybody typed anything */
  derived: PlacedSlot[];
  /** what the readings and the model say of each other that cannot both be true */
  mismatches: string[];
  /** where the readings may mean several models: the question that tells them apart */
  modelQuestion: ApartQuestion | null;
  /** jobs of before of the same customer or machine */
  earlier: EarlierJob[];
}

export interface MachineSlice {
  model: Model | null;
  slots: JobSlot[];
}

/** What is said of the machine's limits, and what must still be asked. */
export interface LimitsSlice {
  /** everything that anybody says of the machine's limits */
  claims: Claim[];
  limits: Limits;
  /** what was tried in this model and in its sisters */
  trials: Trial[];
  cpu: JobCpu;
  needs: Needs;
  gaps: Gap[];
  /** the planning case with no offer in it, or what must be asked first */
  bareCase: JobCase;
}

/** What can be bought for it. */
export interface MarketSlice {
  market: Market;
  /** configurations that the machine's maker sells it in */
  factoryOptions: FactoryOption[];
  jobCase: JobCase;
}

/**
 * The same for who plans nothing: offers are there where something was chosen among them, on the slip or in what went out; else the
 * market is empty.
 */
export type ChosenSlice = MarketSlice;

/** What is on the slip, and what went out. */
export interface QuoteSlice {
  draft: Draft | null;
  /** the shop's usual lines beside parts and fitting */
  usualLines: UsualLine[];
  /** what holds for the whole draft, and what its papers are written in */
  terms: QuoteTerms;
  language: Language;
  texts: TextsInLanguage;
  /** how tax lies on what this customer is asked, and what work on the machine costs */
  pricing: PricingRule;
  labour: Labour;
  sent: SentQuote[];
  /** how these can be reached; one without a link has had it withdrawn */
  links: Map<number, QuoteLink>;
  /** what was mailed of these, the newest first */
  mail: Mail[];
  /** what the customer said to these */
  answers: StoredAnswer[];
  /** what moved behind the quote that is out */
  drifts: NamedDrift[];
}

/** The drafts of the other groups of machines, where the job leads several; each with its own market. */
export interface OthersSlice {
  others: JobWith<'quote' | 'market'>[];
}

/** What was done since the customer said yes. */
export interface WorkSlice {
  work: JobWork;
}

/** The times on the bench alone, which a tick is about. */
export interface BenchSlice {
  fittings: Fitting[];
}

/** What of a job can be asked for, by name. */
export interface Slices {
  readings: ReadingsSlice;
  machine: MachineSlice;
  limits: LimitsSlice;
  market: MarketSlice;
  chosen: ChosenSlice;
  quote: QuoteSlice;
  others: OthersSlice;
  work: WorkSlice;
  bench: BenchSlice;
}
export type SliceName = keyof Slices;

type All<T> = (T extends unknown ? (one: T) => void : never) extends (all: infer Whole) => void ? Whole : never;

/** A job with the slices that are named, and no others. */
export type JobWith<Name extends SliceName> = Header & ([Name] extends [never] ? unknown : All<Slices[Name]>);
