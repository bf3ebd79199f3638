import type { Tick } from '../../../core/fitting/bench-state';
import { minutesTaken } from '../../../core/fitting/bench-state';
import type { FittingStep } from '../../../core/fitting/checklist';
import type { Tested } from '../../../core/fitting/guide';
import type { PartCounts, PartState } from '../../../core/ordering/part-state';
import type { Finding, ProofVerdict } from '../../../core/proving/compare-proof';
import type { SeenOption } from '../../../core/quoting/staff-view';
import { staffView } from '../../../core/quoting/staff-view';
import type { MachineAt } from '../../../store/job/find-machine';
import { standingLine } from '../../orders/orders';
import { type MoneyView, moneyView } from '../invoice/view';
import type { JobWith } from '../slices/slice';
import { machinesAt, openFitting, whyNoLongerFits } from './job-work';
import { modulesOut } from './old-modules';

/** The option that the customer said yes to. */
export interface AcceptedView {
  number: string;
  option: SeenOption;
  signed: string;
  on: string;
  /** the unguessable part of the customer's link; null: there is none to show */
  token: string | null;
}

/** A part of the accepted option: to be ordered, on its way, here, or from our own shelf. */
export interface PartView {
  title: string;
  quantity: number;
  seller: string;
  /** the order that it is on; null: on none yet, or of the shelf */
  order: { id: number; number: string; line: number } | null;
  counts: PartCounts | null;
  state: PartState | 'to-order' | 'aside';
}

/** What was found to be otherwise than thought. Times ISO 8601. */
export interface FindView {
  id: number;
  step: string;
  kind: 'other-module' | 'other-slots' | 'damage' | 'other';
  note: string;
  by: string | null;
  at: string;
}

export interface FittingView {
  id: number;
  round: number;
  steps: FittingStep[];
  ticks: Tick[];
  finds: FindView[];
  minutes: number | null;
  /** what other jobs found in machines of the same model, by the step that it concerns */
  foundBefore: Record<string, { jobId: number; note: string }[]>;
}

export interface SearchView {
  id: number;
  sign: string;
  beeps: string;
  beganBy: string | null;
  tests: (Tested & { by: string | null; at: string })[];
  ended: string | null;
  about: string;
  endedBy: string | null;
}

export interface ProofView {
  id: number;
  findings: Finding[];
  verdict: ProofVerdict;
  /** what was read, or that it was typed */
  from: 'report' | 'screen';
  takenOn: string;
  takenBy: string | null;
  remark: string;
  depth: 'started' | 'total-read' | 'loaded' | null;
  loadedMinutes: number | null;
  signedBy: string | null;
  signedOn: string | null;
  followUps: { id: number; works: boolean; note: string; by: string | null; on: string }[];
}

export interface OldModuleView {
  slot: string;
  what: string;
  fate: 'returned' | 'shelf' | 'scrapped' | null;
  by: string | null;
}

/** One of several machines, and how far it is. */
export interface MachineView {
  jobId: number;
  /** from 1 within its group */
  machine: number;
  /** empty: not known */
  serial: string;
  /** steps done or left out, of how many; null: nobody has begun */
  fitting: { ended: number; of: number } | null;
  proof: 'none' | 'read' | 'broken' | 'signed';
}

/** What follows a customer's yes. */
export interface WorkView {
  /** which of the machines the rest is about */
  machine: number;
  /** all of them, also those of other groups; empty: there is one */
  machines: MachineView[];
  accepted: AcceptedView | null;
  /** it was settled that it does not work; null: it was not */
  notWorking: { on: string; by: string | null; note: string } | null;
  /** it came to nothing, and why */
  fellThrough: string | null;
  parts: PartView[];
  /** why the accepted option does not go into the machine as it is known by now; null: it does */
  noLongerFits: string | null;
  /** the last time on the bench for the accepted option */
  fitting: FittingView | null;
  /** it was found not kept: what comes next is another time on the bench */
  fittingIsOver: boolean;
  /** how long it took in machines of this model, minutes, the latest first */
  usual: number[];
  searches: SearchView[];
  beeps: { id: number; maker: string; pattern: string; means: string }[];
  /** the latest first */
  proofs: ProofView[];
  old: OldModuleView[];
  /** what it comes to, what was paid, its invoices; null: nothing is accepted */
  money: MoneyView | null;
  /** changes whenever any of this does */
  stamp: string;
}

/** Parts of the accepted option: what has to be ordered first, then what is on orders, then what our shelf gives. */
function partsOf({ job, work, market }: JobWith<'work' | 'market'>): PartView[] {
  const { accepted, wanted, orders } = work;
  if (accepted === null) return [];
  const sellerOf = (offer: string) => market.supplies.get(offer)?.seller ?? '';
  const ordered = orders.flatMap((order) =>
    order.lines
      .filter(({ jobId }) => jobId === (job.leadId ?? job.id))
      .map((line): PartView => {
        const { counts, state } = standingLine(line);
        const { id, number, seller } = order;
        return {
          title: line.title,
          quantity: line.quantity,
          seller,
          order: { id, number, line: line.id },
          counts,
          state,
        };
      }),
  );
  const toOrder = wanted.map(
    ({ title, quantity, offerId }): PartView => ({
      title,
      quantity,
      seller: sellerOf(`offer-${offerId}`),
      order: null,
      counts: null,
      state: 'to-order',
    }),
  );
  const known = new Set([...wanted, ...orders.flatMap(({ lines }) => lines)].map(({ offerId }) => `offer-${offerId}`));
  const own = accepted.whole.shop.bought
    .filter(({ offer, seller }) => !known.has(offer) && seller === market.supplies.get(offer)?.seller)
    .map(({ offer, count, seller }): PartView => {
      const line = market.offers.find(({ id }) => id === offer);
      return { title: line?.label ?? offer, quantity: count, seller, order: null, counts: null, state: 'aside' };
    });
  return [...toOrder, ...ordered, ...own];
}

/** Where an earlier find concerns a step of this list: by its key, and only while it still reads the same. */
function foundOnSteps(
  { steps }: Pick<FittingView, 'steps'>,
  found: JobWith<'work'>['work']['foundBefore'],
): FittingView['foundBefore'] {
  const own = new Map(steps.map(({ key, text }) => [key, text]));
  const bySteps: FittingView['foundBefore'] = {};
  for (const { jobId, step, text, note } of found) {
    if (own.get(step) === text) bySteps[step] = [...(bySteps[step] ?? []), { jobId, note }];
  }
  return bySteps;
}

/** How far each of several machines is; empty: there is one. */
function machinesView(work: JobWith<'work'>['work']): MachineView[] {
  const all = machinesAt(work);
  if (all.length < 2) return [];
  const serials = new Map(work.groups.map(({ jobId, serials: own }) => [jobId, own]));
  return all.map(({ jobId, machine }) => {
    const isHere = (one: MachineAt) => one.jobId === jobId && one.machine === machine;
    const open = openFitting(work, { jobId, machine });
    const last = work.proofs.find((one) => isHere(one) && one.quoteId === work.accepted?.quote.id);
    return {
      jobId,
      machine,
      serial: serials.get(jobId)?.[machine - 1] ?? '',
      fitting: open === null ? null : { ended: open.ticks.length, of: open.steps.length },
      proof:
        last === undefined ? 'none' : last.verdict === 'broken' ? 'broken' : last.signedOn === null ? 'read' : 'signed',
    };
  });
}

/**
 * What the stations after the quote show of a job.
 *
 * @param machine which of its equal machines they are about
 */
export function workView(state: JobWith<'work' | 'market' | 'quote'>, seesCost: boolean, machine = 1): WorkView {
  const { work, job, links } = state;
  const { accepted, searches } = work;
  const at = { jobId: job.id, machine };
  const isHere = (one: MachineAt) => one.jobId === at.jobId && one.machine === machine;
  const fitting = work.fittings.find(isHere);
  const proofs = work.proofs.filter(isHere);
  const oldModules = work.oldModules.filter((one) => one.machine === machine);
  return {
    machine,
    machines: machinesView(work),
    accepted:
      accepted === null
        ? null
        : {
            number: accepted.quote.number,
            option: staffView(accepted.option, seesCost),
            signed: accepted.signed,
            on: accepted.on,
            token: links.get(accepted.quote.id)?.token ?? null,
          },
    fellThrough: job.fellThrough,
    parts: partsOf(state),
    noLongerFits: fitting === undefined ? null : whyNoLongerFits(state),
    fitting:
      fitting === undefined || fitting.quoteId !== accepted?.quote.id
        ? null
        : {
            id: fitting.id,
            round: fitting.round,
            steps: fitting.steps,
            ticks: fitting.ticks,
            finds: fitting.finds,
            minutes: minutesTaken(fitting.steps, fitting.ticks),
            foundBefore: foundOnSteps(fitting, work.foundBefore),
          },
    fittingIsOver: fitting !== undefined && openFitting(work, at) === null,
    usual: work.usual,
    searches: searches.map(({ id, sign, beeps, beganBy, tests, ended, about, endedBy }) => ({
      id,
      sign,
      beeps,
      beganBy,
      ended,
      about,
      endedBy,
      tests: tests.map(({ test, outcome, by, at }) => ({ test, outcome, by, at })),
    })),
    beeps: work.beeps,
    proofs: proofs
      .filter(({ quoteId }) => quoteId === accepted?.quote.id)
      .map((proof) => ({
        id: proof.id,
        findings: proof.findings,
        verdict: proof.verdict,
        from: proof.readingId === null ? ('screen' as const) : ('report' as const),
        takenOn: proof.takenOn,
        takenBy: proof.takenBy,
        remark: proof.remark,
        depth: proof.depth,
        loadedMinutes: proof.loadedMinutes,
        signedBy: proof.signedBy,
        signedOn: proof.signedOn,
        followUps: proof.followUps,
      })),
    old:
      accepted === null || work.notWorking !== null
        ? []
        : modulesOut(accepted).map(({ slot, what }) => {
            const settled = oldModules.find((one) => one.slot === slot);
            return { slot, what, fate: settled?.fate ?? null, by: settled?.by ?? null };
          }),
    notWorking: work.notWorking && { on: work.notWorking.on, by: work.notWorking.by, note: work.notWorking.note },
    money: moneyView(state),
    stamp: job.touchedAt.toISOString(),
  };
}
