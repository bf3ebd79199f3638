import { boardRates } from '../core/planning/board-rates';
import type { PlanCase } from '../core/planning/case';
import { whyNot } from '../core/planning/explain/why-not';
import type { Answer } from '../core/planning/plan';
import { Planner } from '../core/planning/planner';
import { Packer } from './packed-answer';
import type { PlanReply, PlanRequest } from './plan-message';

/** So long it works before it looks whether it is still wanted, ms. */
const LOOK_MS = 30;
/** The same for what nobody has asked for yet: it is to be out of the way at once. */
const AHEAD_MS = 4;
/** So long nobody asks before anything is worked out ahead, ms. */
const QUIET_MS = 150;
/** So many rates are worked out ahead. */
const MOST_RATES = 8;

type Asked = Exclude<PlanRequest, { cancel: number }>;

/** What the work needs of the place where it runs. */
export interface WorkPlace {
  reply: (reply: PlanReply) => void;
  /** ms */
  now: () => number;
  /** lets messages come in */
  /** @param ms at least so long; 0: no longer than that takes */
  pause: (ms: number) => Promise<void>;
}

/** Plans one request after another, in their order. A request that breaks the planner is answered as failed. */
export class PlanWork {
  readonly #cancelled = new Set<number>();
  readonly #packer = new Packer();
  #planner: Planner | null = null;
  #before: Promise<void> = Promise.resolve();
  /** requests so far */
  #taken = 0;

  constructor(private readonly place: WorkPlace) {}

  /** Takes a request; done when it is answered. */
  take(request: PlanRequest): Promise<void> {
    if ('cancel' in request) {
      this.#cancelled.add(request.cancel);
      return Promise.resolve();
    }
    const nr = ++this.#taken;
    this.#before = this.#before.then(() => this.#work(request));
    void this.#before.then(() => this.#ahead(nr));
    return this.#before;
  }

  async #work(request: Asked): Promise<void> {
    const { id } = request;
    const { reply } = this.place;
    try {
      if ('asked' in request) {
        reply({ id, state: 'told', lines: whyNot(request.about, request.asked) });
        return;
      }
      if ('planCase' in request) this.#planner = new Planner(request.planCase);
      else if ('market' in request) {
        const { planCase } = JSON.parse(request.market) as { planCase: PlanCase };
        this.#planner = new Planner(planCase);
      } else if (this.#planner === null) throw new Error('there is no case to change');
      else this.#planner.change(request.change);
      const answer = await this.#answer(id, this.#planner);
      reply(answer === null ? { id, state: 'cancelled' } : { id, state: 'done', answer: this.#packer.pack(answer) });
    } catch {
      reply({ id, state: 'failed' });
    } finally {
      this.#cancelled.delete(id);
    }
  }

  /** Works out the likely next questions, the other least rates, until somebody asks something. */
  async #ahead(nr: number): Promise<void> {
    const { now, pause } = this.place;
    const planner = this.#planner;
    await pause(QUIET_MS);
    if (planner === null || nr !== this.#taken) return;
    try {
      const { planCase } = planner;
      const { minRateMTs, ...goal } = planCase.goal ?? {};
      const rates = [null, ...boardRates(planCase).slice(-MOST_RATES)].filter((rate) => rate !== (minRateMTs ?? null));
      for (const rate of rates) {
        let looked = now();
        for (const _ of planner.ahead(rate === null ? goal : { ...goal, minRateMTs: rate })) {
          if (now() - looked < AHEAD_MS) continue;
          await pause(0);
          if (nr !== this.#taken) return;
          looked = now();
        }
      }
    } catch {
      // Whoever asks for it is told.
    }
  }

  /** Null: it was cancelled. */
  async #answer(id: number, planner: Planner): Promise<Answer | null> {
    const { now, pause, reply } = this.place;
    const steps = planner.steps();
    let looked = now();
    for (;;) {
      if (this.#cancelled.has(id)) return null;
      const step = steps.next();
      if (step.done === true) return step.value;
      if (now() - looked < LOOK_MS) continue;
      reply({ id, state: 'planning', share: step.value });
      await pause(0);
      looked = now();
    }
  }
}
