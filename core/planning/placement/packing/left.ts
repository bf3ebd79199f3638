import type { Shape } from './shape';

/** The modules that are still to be placed, counted by shape; one of these is used again and again. */
export class Left {
  /** shapes of which any were left at first, the largest first */
  coming: readonly number[] = [];
  /** modules */
  count = 0;
  mib = 0;
  /** what is left, as one number */
  code = 0;
  /** codes are below this */
  codes = 1;
  #counts: number[] = [];
  #weights: number[] = [];

  constructor(private readonly shapes: readonly Shape[]) {}

  /** Begins again, with so many of each shape. */
  take(counts: readonly number[]): void {
    this.#counts = [...counts];
    this.#weights = [];
    this.count = 0;
    this.mib = 0;
    this.code = 0;
    this.codes = 1;
    const coming: number[] = [];
    for (let shape = 0; shape < counts.length; shape++) {
      const count = counts[shape] ?? 0;
      this.#weights.push(this.codes);
      if (count === 0) continue;
      this.code += this.codes * count;
      this.codes *= count + 1;
      this.count += count;
      this.mib += count * this.sizeOf(shape);
      let at = coming.length;
      coming.push(shape);
      const size = this.sizeOf(shape);
      for (; at > 0 && this.sizeOf(coming[at - 1] as number) < size; at--) coming[at] = coming[at - 1] as number;
      coming[at] = shape;
    }
    this.coming = coming;
  }

  of(shape: number): number {
    return this.#counts[shape] ?? 0;
  }

  /** By shape. */
  counts(): number[] {
    return [...this.#counts];
  }

  /** MiB */
  sizeOf(shape: number): number {
    return this.shapes[shape]?.capacityMiB ?? 0;
  }

  /** Takes so many of a shape away; below 0: puts them back. */
  remove(shape: number, count: number): void {
    this.#counts[shape] = (this.#counts[shape] ?? 0) - count;
    this.count -= count;
    this.mib -= count * this.sizeOf(shape);
    this.code -= count * (this.#weights[shape] ?? 0);
  }
}
