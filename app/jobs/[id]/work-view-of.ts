import { minutesTaken } from '@/core/fitting/bench-state';
import { staffView } from '@/core/quoting/staff-view';
import { openFitting, whyNoLongerFits } from '@/service/job/bench/job-work';
import { modulesOut } from '@/service/job/bench/old-modules';
import type { JobState } from '@/service/job/job-state';
import { standingLine } from '@/service/orders/orders';
import type { FittingView, PartView, WorkView } from '@/ui/job/work-view';

/** Parts of the accepted option: what is to be ordered first, then what is on orders, then what our shelf gives. */
function partsOf({ job, work, market }: JobState): PartView[] {
  const { accepted, wanted, orders } = work;
  if (accepted === null) return [];
  const sellerOf = (offer: string) => market.supplies.get(offer)?.seller ?? '';
  const ordered = orders.flatMap((order) =>
    order.lines
      .filter(({ jobId }) => jobId === job.id)
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
      ...{ title, quantity, seller: sellerOf(`offer-${offerId}`) },
      ...{ order: null, counts: null, state: 'to-order' },
    }),
  );
  const known = new Set([...wanted, ...orders.flatMap(({ lines }) => lines)].map(({ offerId }) => `offer-${offerId}`));
  const own = accepted.option.shop.bought
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
  found: JobState['work']['foundBefore'],
): FittingView['foundBefore'] {
  const own = new Map(steps.map(({ key, text }) => [key, text]));
  const bySteps: FittingView['foundBefore'] = {};
  for (const { jobId, step, text, note } of found) {
    if (own.get(step) === text) bySteps[step] = [...(bySteps[step] ?? []), { jobId, note }];
  }
  return bySteps;
}

/** What the stations after the quote show of a job. */
export function workViewOf(state: JobState, seesCost: boolean): WorkView {
  const { work, job, links } = state;
  const { accepted, fittings, searches, proofs, oldModules } = work;
  const [fitting] = fittings;
  return {
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
    fittingIsOver: fitting !== undefined && openFitting(work) === null,
    usual: work.usual,
    searches: searches.map(({ id, sign, beeps, beganBy, tests, ended, about, endedBy }) => ({
      ...{ id, sign, beeps, beganBy, ended, about, endedBy },
      tests: tests.map(({ test, outcome, by, at }) => ({ test, outcome, by, at })),
    })),
    beeps: work.beeps,
    proofs: proofs
      .filter(({ quoteId }) => quoteId === accepted?.quote.id)
      .map((proof) => ({
        ...{ id: proof.id, findings: proof.findings, verdict: proof.verdict },
        from: proof.readingId === null ? ('screen' as const) : ('report' as const),
        ...{ takenOn: proof.takenOn, takenBy: proof.takenBy, remark: proof.remark, depth: proof.depth },
        ...{ loadedMinutes: proof.loadedMinutes, signedBy: proof.signedBy, signedOn: proof.signedOn },
        followUps: proof.followUps,
      })),
    old:
      accepted === null
        ? []
        : modulesOut(accepted).map(({ slot, what }) => {
            const settled = oldModules.find((one) => one.slot === slot);
            return { slot, what, fate: settled?.fate ?? null, by: settled?.by ?? null };
          }),
    stamp: job.touchedAt.toISOString(),
  };
}
