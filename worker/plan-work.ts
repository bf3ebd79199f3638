import { whyNot } from '../core/planning/explain/why-not';
import type { Answer } from '../core/planning/plan';
import { Planner } from '../core/planning/planner';
import { Packer } from './packed-answer';
import type { PlanReply, PlanRequest } from './plan-message';

/** So long it works before it looks whether it is still wanted, ms. */
const LOOK_MS = 30;

type Asked = Exclude<PlanRequest, { cancel: number }>;

/** What the work needs of the place where it runs. */
export interface WorkPlace {
  reply: (reply: PlanReply) => void;
  /** ms */
  now: () => number;
  /** lets messages come in */
  pause: () => Promise<void>;
}

/** Plans one request after another, in their order. A request that breaks the planner is answered as failed. */
export class PlanWork {
  readonly #cancelled = new Set<number>();
  readonly #packer = new Packer();
  #planner: Planner | null = null;
  #before: Promise<void> = Promise.resolve();

  constructor(private readonly place: WorkPlace) {}

  /** Takes a request; done when it is answered. */
  take(request: PlanRequest): Promise<void> {
    if ('cancel' in request) {
      this.#cancelled.add(request.cancel);
      return Promise.resolve();
    }
    this.#before = this.#before.then(() => this.#work(request));
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
      else if (this.#planner === null) throw new Error('there is no case to change');
      else this.#planner.change(request.change);
      const answer = await this.#answer(id, this.#planner);
      reply(answer === null ? { id, state: 'cancelled' } : { id, state: 'done', answer: this.#packer.pack(answer) });
    } catch {
      reply({ id, state: 'failed' });
    } finally {
      this.#cancelled.delete(id);
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
      await pause();
      looked = now();
    }
  }
}
