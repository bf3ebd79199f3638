import type { Answer, Plan } from '../core/planning/search/plan';

/** An answer of which only the plans are told that were not told before; the others by their number. */
export interface PackedAnswer extends Omit<Answer, 'plans'> {
  plans: number[];
  /** plans that are new, by their number */
  fresh: [number: number, plan: Plan][];
  /** whatever was told before can be forgotten */
  anew: boolean;
}

/** So many plans are kept in mind beside those of the last answer and as many again. */
const FORGOTTEN_FROM = 2_000;

/** Packs one answer after another for one {@link Unpacker}: most plans of an answer are those of the one before. */
export class Packer {
  #numbers = new Map<Plan, number>();
  #next = 0;

  pack({ plans, ...rest }: Answer): PackedAnswer {
    const anew = this.#numbers.size > 2 * plans.length + FORGOTTEN_FROM;
    if (anew) this.#numbers = new Map();
    const fresh: [number, Plan][] = [];
    const numbers = plans.map((plan) => {
      const known = this.#numbers.get(plan);
      if (known !== undefined) return known;
      const number = this.#next++;
      this.#numbers.set(plan, number);
      fresh.push([number, plan]);
      return number;
    });
    return { ...rest, plans: numbers, fresh, anew };
  }
}

/** Unpacks what one {@link Packer} packed, in the same order. A plan that was told once stays the same object. */
export class Unpacker {
  #plans = new Map<number, Plan>();

  /** @throws where an answer before this one was left out */
  unpack({ plans, fresh, anew, ...rest }: PackedAnswer): Answer {
    if (anew) this.#plans = new Map();
    for (const [number, plan] of fresh) this.#plans.set(number, plan);
    return {
      ...rest,
      plans: plans.map((number) => {
        const plan = this.#plans.get(number);
        if (plan === undefined) throw new Error(`plan ${number} was never told`);
        return plan;
      }),
    };
  }
}
