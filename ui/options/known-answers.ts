import type { Goal } from '@/core/planning/model/case';
import type { Answer } from '@/core/planning/search/plan';
import { goalKey } from '@/worker/likely-goals';

/** So many are kept: anyone who steers goes to and fro, and the worker looks ahead. */
const MOST = 64;

/** Answers that were worked out for a ground, by what stays in the machine and by goal: the hand does not wait for these. */
export class KnownAnswers {
  #ground: string | null = null;
  #answers = new Map<string, Answer>();

  keep(ground: string, stays: string, goal: Goal, answer: Answer): void {
    if (ground !== this.#ground) this.#answers = new Map();
    this.#ground = ground;
    const key = `${stays} ${goalKey(goal)}`;
    this.#answers.delete(key);
    this.#answers.set(key, answer);
    const [oldest] = this.#answers.keys();
    if (this.#answers.size > MOST && oldest !== undefined) this.#answers.delete(oldest);
  }

  find(ground: string, stays: string, goal: Goal): Answer | null {
    return (ground === this.#ground && this.#answers.get(`${stays} ${goalKey(goal)}`)) || null;
  }
}
