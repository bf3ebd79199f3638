import type { FactoryOption } from '../../core/machine/models/model';
import type { Station, StationStanding } from '../../core/machine/station';
import type { Wants } from '../../core/machine/suggest-target';
import type { Steering } from '../../core/planning/filters/steering';
import type { Customer } from '../../store/job/jobs';
import { type Caller, mayDo } from '../staff/access';
import { type WorkView, workView } from './bench/view';
import { type IntakeView, intakeView } from './intake/view';
import type { JobState } from './job-state';
import { type LimitsView, limitsView } from './limits/view';
import { type MarketView, marketView, type OfferSupply } from './options/view';
import { type QuoteView, quoteView } from './quote/view';

/** Equal machines of the job; those that differ are other groups, each kept as a job of its own. */
export interface GroupView {
  jobId: number;
  machines: number;
  /** what is in each, MiB */
  totalMiB: number;
  /** in so many modules */
  modules: number;
}

/** A job as the screens of its stations need it; staff only. Capacities MiB, money minor units with tax. */
export interface JobView extends IntakeView, LimitsView, MarketView, QuoteView {
  id: number;
  /** the first group's, which has the quote and the orders */
  leadId: number;
  /** the first first; a job whose machines are all equal has one */
  groups: GroupView[];
  /** what the person who looks may do here */
  may: {
    decideLimits: boolean;
    writeLibrary: boolean;
    signProofs: boolean;
    writeStock: boolean;
    sellBelowLowest: boolean;
    invoice: boolean;
  };
  customer: Omit<Customer, 'id'>;
  machine: {
    maker: string;
    name: string;
    serial: string;
    modelId: number | null;
    modelName: string | null;
    /** so many equal ones, and the serials of the second and on */
    count: number;
    moreSerials: string[];
  };
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
  /** the job whose guarantee it is: what replaces its parts is free; null: none */
  guaranteeOf: number | null;
  /** parts to take home: nothing is fitted here, unless an option says so */
  partsOnly: boolean;
  /** configurations that the maker sells, where the library knows them */
  factory: { options: FactoryOption[]; mostMiB: number | null };
  /** what the maker asks for a total, as it was typed for this job */
  makerAsks: { totalMiB: number | null; cents: number | null };
  currency: string;
  taxBp: number;
  validityDays: number;
  /** customers read what a GB costs */
  perGb: boolean;
  /** the day where the shop is */
  today: string;
  /** what follows a customer's yes */
  work: WorkView;
  standings: Record<Station, StationStanding>;
}

/**
 * What the screens of a job need of its state. Sellers' names and days go along, what offers cost does not; what options cost
 * and leave goes to those who may see it.
 *
 * @param machine which of its equal machines the bench and the proof are about
 */
export function jobView(state: JobState, caller: Caller, machine = 1): JobView {
  const { shop, job, model } = state;
  const seesCost = mayDo(caller, 'costs.read');
  const { id: _, ...customer } = job.customer;
  return {
    id: job.id,
    leadId: job.leadId ?? job.id,
    groups: state.groups.map(({ jobId, machines, totalMiB, modules }) => ({ jobId, machines, totalMiB, modules })),
    may: {
      decideLimits: mayDo(caller, 'limits.decide'),
      writeLibrary: mayDo(caller, 'library.write'),
      signProofs: mayDo(caller, 'proofs.sign'),
      writeStock: mayDo(caller, 'stock.write'),
      sellBelowLowest: mayDo(caller, 'quotes.below-lowest'),
      invoice: mayDo(caller, 'quotes.send'),
    },
    customer,
    machine: {
      maker: job.machineMaker,
      name: job.machineName,
      serial: job.serial,
      modelId: job.modelId,
      modelName: model === null ? null : `${model.maker} ${model.name}`,
      count: job.machines,
      moreSerials: job.moreSerials,
    },
    closed:
      job.closedAt === null
        ? null
        : { as: job.closedAs, why: job.closedWhy, on: job.closedAt.toISOString().slice(0, 10) },
    complaint: job.complaint,
    needMiB: job.needMiB,
    budgetCents: job.budgetCents,
    steering: { ...job.steering, needMiB: job.needMiB, budgetCents: job.budgetCents },
    bestToleranceBp: shop.bestToleranceBp,
    wants: { uses: job.uses, inUseMiB: job.inUseMiB, full: job.fullPart, os: job.os, osBits: job.osBits },
    neededBy: job.neededBy,
    cover: job.cover,
    notBought: job.notBought,
    partsOnly: job.partsOnly,
    guaranteeOf: job.guaranteeOf,
    factory: { options: state.factoryOptions, mostMiB: model?.factoryMaxMiB ?? null },
    makerAsks: { totalMiB: job.makerTotalMiB, cents: job.makerCents },
    currency: shop.currency,
    taxBp: shop.taxBp,
    validityDays: shop.validityDays,
    perGb: shop.paperPerGb,
    today: state.today,
    ...intakeView(state),
    ...limitsView(state),
    ...marketView(state),
    ...quoteView(state, seesCost),
    work: workView(state, seesCost, Math.min(machine, job.machines)),
    standings: state.standings,
  };
}

/** A job without its market, which the page fetches beside its scripts rather than carry it. */
export type PageJob = Omit<JobView, keyof MarketView> & {
  /** there is a case to plan */
  hasCase: boolean;
  /** what is offered of what the slip buys */
  slipSupplies: Record<string, OfferSupply>;
};

/** Parts a job from its market, which goes its own way: the page would carry thousands of offers as so many parts. */
export function pageJob({ planCase, supplies, sellersRated: _, ...job }: JobView): PageJob {
  const bought = job.slip.flatMap((one) => (one.ok ? one.option.shop.bought.map(({ offer }) => offer) : []));
  const slipSupplies = Object.fromEntries(
    bought.flatMap((offer) => (supplies[offer] === undefined ? [] : [[offer, supplies[offer]]])),
  );
  return { ...job, hasCase: planCase !== null, slipSupplies };
}
