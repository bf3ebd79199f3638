import { handMade } from '../core/planning/explain/hand-made';
import { type WhyNot, whyNot } from '../core/planning/explain/why-not';
import { growLater } from '../core/planning/later/grow-later';
import type { Goal, PlanCase } from '../core/planning/model/case';
import type { PlanChoice } from '../core/planning/search/evaluate-choice';
import type { Answer, Plan } from '../core/planning/search/plan';
import { Planner } from '../core/planning/search/planner';
import { goalKey, likelyGoals } from './likely-goals';
import { Packer } from './packed-answer';
import type { PlanReply, PlanRequest } from './plan-message';

/** So long it works before it looks whether it is still wanted, ms. */
const LOOK_MS = 30;
/** The same for what nobody has asked for yet: it is to be out of the way at once. */
const AHEAD_MS = 4;
/** So long nobody asks before anything is worked out ahead, ms. */
const QUIET_MS = 150;
/** What took longer to answer is not worked out ahead: it would keep a whole core busy, and much in mind. ms */
const QUICK_MS = 400;
/** Where an answer takes longer the nearest plans are told first; ms. Nobody sees them where it does not. */
const SLOW_MS = 250;
/** Boards of so many slots are taken to be slow until one is answered. */
const SLOW_SLOTS = 12;

type Asked = Exclude<PlanRequest, { cancel: number }>;

/** What the work needs of the place where it runs. */
export interface WorkPlace {
  reply: (reply: PlanReply) => void;
  /** reads the market at a path, as its text */
  read: (path: string) => Promise<string>;
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
  /** the request that the case came or changed with last */
  #caseId = 0;
  #before: Promise<void> = Promise.resolve();
  /** requests so far */
  #taken = 0;
  /** so long the last answer took, ms */
  #tookMs = 0;
  /** goals of which the answer was told since anything but the goal changed */
  #told = new Set<string>();

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
        reply({ id, state: 'told', answer: whyNot(request.about, request.asked) });
        return;
      }
      if ('hand' in request) {
        reply({ id, state: 'weighed', made: handMade(request.about, request.hand, request.beside) });
        return;
      }
      if ('grown' in request) {
        reply({ id, state: 'grown', growth: growLater(request.about, request.grown) });
        return;
      }
      const began = this.place.now();
      const market = 'path' in request ? await this.place.read(request.path) : null;
      // Also of what is not wanted any more: what comes next may be a change of it.
      const planner = this.#plannerFor(request, market);
      this.#caseId = id;
      const isSlow = 'change' in request ? this.#tookMs > SLOW_MS : planner.planCase.machine.slots.length >= SLOW_SLOTS;
      if (isSlow && !this.#cancelled.has(id)) {
        reply({ id, state: 'first', answer: this.#packer.pack(planner.nearest()) });
        await this.place.pause(0);
      }
      const answer = await this.#answer(id, planner);
      this.#tookMs = this.place.now() - began;
      if (answer === null) {
        reply({ id, state: 'cancelled' });
        return;
      }
      this.#told.add(goalKey(planner.planCase.goal));
      reply({ id, state: 'done', answer: this.#packer.pack(answer) });
    } catch {
      reply({ id, state: 'failed' });
    } finally {
      this.#cancelled.delete(id);
    }
  }

  /** @throws where there is no case to change */
  #plannerFor(
    request: Exclude<Asked, { asked: WhyNot } | { hand: PlanChoice } | { grown: Plan }>,
    market: string | null,
  ): Planner {
    if ('change' in request) {
      if (this.#planner === null) throw new Error('there is no case to change');
      const { keep, prices } = request.change;
      if (keep !== undefined || prices !== undefined) this.#told = new Set();
      this.#planner.change(request.change);
      return this.#planner;
    }
    this.#told = new Set();
    const planCase =
      'planCase' in request ? request.planCase : (JSON.parse(market ?? '') as { planCase: PlanCase }).planCase;
    this.#planner = new Planner(planCase);
    return this.#planner;
  }

  /** Works out and tells the answers to the likely next questions, until somebody asks something. */
  async #ahead(nr: number): Promise<void> {
    const { pause, reply } = this.place;
    const planner = this.#planner;
    await pause(QUIET_MS);
    if (planner === null || nr !== this.#taken || this.#tookMs > QUICK_MS) return;
    try {
      for (const goal of likelyGoals(planner.planCase)) {
        const key = goalKey(goal);
        if (this.#told.has(key)) continue;
        const answer = await this.#aheadFor(nr, planner, goal);
        if (answer === null) return;
        this.#told.add(key);
        reply({ id: this.#caseId, state: 'ahead', goal, answer: this.#packer.pack(answer) });
        await pause(0);
        if (nr !== this.#taken) return;
      }
    } catch {
      // Anyone who asks for it is told.
    }
  }

  /** Null: somebody asked something meanwhile. */
  async #aheadFor(nr: number, planner: Planner, goal: Goal): Promise<Answer | null> {
    const { now, pause } = this.place;
    const steps = planner.ahead(goal);
    let looked = now();
    for (;;) {
      const step = steps.next();
      if (step.done === true) return step.value;
      if (now() - looked < AHEAD_MS) continue;
      await pause(0);
      if (nr !== this.#taken) return null;
      looked = now();
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
