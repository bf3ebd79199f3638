import { dayText } from '@/core/day-text';
import type { Shown } from '@/core/machine/gap-words';
import type { Limits } from '@/core/machine/limits/weigh';
import { insidesOf, likelySource, takenSpecificationSchema } from '@/core/machine/models/taken-specification';
import type { Joined } from '@/core/machine/slots/join-readings';
import { APART_WORDS, machineFacts, slotFacts } from '@/core/machine/slots/slot-facts';
import { versionChange } from '@/core/quoting/drift/version-change';
import { decisionOf, standingOf } from '@/core/quoting/quote-answer';
import { seenDrift, staffView } from '@/core/quoting/staff-view';
import { isSpecification, type SpecificationReading } from '@/core/reading/reading';
import { readingLine } from '@/core/reading/reading-line';
import type { JobState } from '@/service/job/job-state';
import { draftOptions, lowestOf } from '@/service/job/options/draft-options';
import type { TestedSupply } from '@/service/job/options/offers-for-job';
import { type Caller, mayDo } from '@/service/staff/access';
import type { PanelAsks } from '@/ui/intake/readings/panel-form';
import type { JobView, ReadingRow, SentVersion, SlipOption, SpecificationView } from '@/ui/job/job-view';
import { agoText, sickText } from '@/ui/offers/sellers/feed-words';
import { workViewOf } from './work-view-of';

/** What a system shows of all its modules together. */
function shownOf({ machine }: Pick<Joined, 'machine'>): Shown {
  const rates = (machine?.memory.slots ?? []).flatMap(({ installed }) => installed?.configuredRateMTs ?? []);
  return {
    installedMiB: machine?.memory.installedMiB ?? null,
    rateMTs: rates.length === 0 ? null : Math.min(...rates),
  };
}

/** What a screen may still tell: where a reading lists the slots, nothing. */
function panelAsksOf({ machine }: Pick<Joined, 'machine'>, limits: Limits): PanelAsks {
  const isListed = (machine?.memory.slots.length ?? 0) > 0;
  const isRead = (limit: 'form' | 'generations'): boolean => limits[limit]?.source.kind === 'reading';
  const { installedMiB, rateMTs } = shownOf({ machine });
  return {
    total: !isListed && installedMiB === null,
    rate: !isListed && rateMTs === null,
    slots: !isListed,
    form: !isListed && !isRead('form'),
    generation: !isListed && !isRead('generations'),
  };
}

/** What a specification says of the board, in words. */
function boardWords({ slotCount, channels, soldered }: SpecificationReading): string {
  const slots = slotCount === null ? [] : [slotCount === 1 ? '1 slot' : `${slotCount} slots`];
  const inChannels = channels === null ? [] : [channels === 1 ? '1 channel' : `${channels} channels`];
  return [...slots, ...inChannels, ...(soldered ? ['memory soldered'] : [])].join(', ');
}

function specificationView(reading: SpecificationReading, taken: unknown): SpecificationView {
  const { about, name, claims } = reading;
  const parsed = takenSpecificationSchema.safeParse(taken);
  return {
    about,
    name: name === null ? '' : [name.maker, name.model].filter((word) => word !== null).join(' '),
    board: boardWords(reading),
    claims: claims.map(({ limit, value, quote }) => ({ limit, value, quote })),
    insides: insidesOf(reading),
    likely: likelySource(reading, claims.map(({ quote }) => quote).join(' ')),
    taken: parsed.success ? parsed.data : null,
  };
}

function readingRows({ readings, joined }: JobState): ReadingRow[] {
  return readings.map(({ id, sourceName, result, setAside, taken }) => {
    const apart = joined.apart.find((one) => one.id === id);
    return {
      id,
      name: sourceName,
      line: readingLine(result),
      warnings: result.warnings,
      setAside,
      apart: apart === undefined ? null : APART_WORDS[apart.why],
      specification: isSpecification(result) ? specificationView(result, taken) : null,
    };
  });
}

const DAY_MS = 86_400_000;
/** A price that nobody noted again for so long is asked about before it is promised. */
const OLD_DAYS = 21;

/** How old a price is, where it may not hold any more: its seller's feed is sick, or nobody noted it for long. */
function agedText({ sickSince, pricedAt }: TestedSupply): string | null {
  const now = new Date();
  if (sickSince !== undefined) {
    const age = agoText(sickSince?.toISOString() ?? null, now);
    return sickText({ sellerId: 0, ok: false, age, sentence: null });
  }
  const days = priceDays({ pricedAt }) ?? 0;
  return days < OLD_DAYS ? null : `price of ${days} days ago`;
}

/** Days since a price was noted; null: it is the shop's own. */
function priceDays({ pricedAt }: Pick<TestedSupply, 'pricedAt'>): number | null {
  return pricedAt === null ? null : Math.max(0, Math.floor((Date.now() - pricedAt.getTime()) / DAY_MS));
}

/** What went out, with what the customer said to it. */
function sentVersions({ sent, links, mail, answers, today }: JobState, seesCost: boolean): SentVersion[] {
  return sent.map((quote, nr) => {
    const before = sent[nr + 1];
    const said = answers.filter(({ quoteId }) => quoteId === quote.id);
    const answer = decisionOf(said);
    return {
      number: quote.number,
      version: quote.version,
      state: quote.state,
      change: before === undefined ? null : versionChange(before.snapshot, quote.snapshot),
      link: links.get(quote.id) ?? null,
      mail: mail
        .filter(({ quoteId }) => quoteId === quote.id)
        .map(({ id, kind, to, state, tries, nextAt, sentence, sentAt }) => ({
          ...{ id, to, state, tries, sentence },
          kind: kind === 'reminder' ? kind : ('quote' as const),
          nextAt: nextAt.toISOString(),
          sentAt: sentAt?.toISOString() ?? null,
        })),
      sentOn: quote.snapshot.sentOn,
      sentBy: quote.sentBy,
      validUntil: quote.validUntil,
      options: quote.snapshot.options.map((option) => staffView(option, seesCost)),
      standing: standingOf(answer, { replaced: quote.state === 'replaced', lapsed: today > quote.validUntil }),
      openedOn: quote.openedOn,
      answer,
      questions: said
        .filter(({ kind }) => kind === 'question')
        .map(({ id, words, on, reply }) => ({ id, words, on, reply })),
    };
  });
}

/** The draft's options, each with whether it may go out as it is. */
function slipOptions(state: JobState, seesCost: boolean): SlipOption[] {
  return draftOptions(state).map((one) =>
    one.ok ? { ...one, option: staffView(one.option, seesCost), lowest: lowestOf(state, one.option) } : one,
  );
}

/**
 * What the screens of a job need of its state. Sellers' names and days go along, what offers cost does not; what options cost
 * and leave goes to those who may see it.
 */
export function jobViewOf(state: JobState, caller: Caller): JobView {
  const { shop, job, model, joined, jobCase, draft } = state;
  const seesCost = mayDo(caller, 'costs.read');
  return {
    id: job.id,
    may: {
      decideLimits: mayDo(caller, 'limits.decide'),
      writeLibrary: mayDo(caller, 'library.write'),
      signProofs: mayDo(caller, 'proofs.sign'),
      writeStock: mayDo(caller, 'stock.write'),
      sellBelowLowest: mayDo(caller, 'quotes.below-lowest'),
    },
    customer: {
      name: job.customer.name,
      phone: job.customer.phone,
      email: job.customer.email,
      language: job.customer.language,
      taxExempt: job.customer.taxExempt,
    },
    machine: {
      maker: job.machineMaker,
      name: job.machineName,
      serial: job.serial,
      modelId: job.modelId,
      modelName: model === null ? null : `${model.maker} ${model.name}`,
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
    factory: { options: model?.factoryOptions ?? [], mostMiB: model?.factoryMaxMiB ?? null },
    needs: state.needs,
    earlier: state.earlier.map(({ customerId: _, phone: _phone, email: _email, on, ...one }) => ({
      ...one,
      on: dayText(on),
    })),
    modelQuestion: state.modelQuestion,
    cpu: state.cpu,
    currency: shop.currency,
    taxBp: shop.taxBp,
    validityDays: shop.validityDays,
    slots: state.slots,
    slotsVersion: job.slotsVersion,
    readings: readingRows(state),
    pictures: state.pictures,
    shown: shownOf(joined),
    panelAsks: panelAsksOf(joined, state.limits),
    machineFacts: machineFacts(joined.machineSayings),
    slotFacts: slotFacts(state.slots, state.derived, joined),
    readingWarnings: state.mismatches,
    claims: state.claims,
    limits: state.limits,
    trials: state.trials,
    limitsAgreed: job.limitsAgreedAt !== null,
    gaps: state.gaps,
    assumed: jobCase.ok ? jobCase.assumed : [],
    planCase: jobCase.ok ? jobCase.planCase : null,
    supplies: Object.fromEntries(
      [...state.market.supplies].map(([offer, supply]) => {
        const { seller, leadDays, testedBy } = supply;
        return [offer, { seller, leadDays, testedBy, aged: agedText(supply), priceDays: priceDays(supply) }];
      }),
    ),
    slip: slipOptions(state, seesCost),
    terms: state.terms,
    language: state.language,
    today: state.today,
    pricing: state.pricing,
    labour: state.labour,
    suggested: draft?.suggested ?? null,
    sent: sentVersions(state, seesCost),
    drifts: state.drifts.map((drift) => seenDrift(drift, seesCost)),
    work: workViewOf(state, seesCost),
    standings: state.standings,
  };
}
