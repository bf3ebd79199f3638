/** How many of something each name has at one time; names that have none take no room. */
export class Counts {
  private readonly counts = new Map<string, number>();
  private sum = 0;

  /** Counts one more of a name: what counts it off again, once. */
  add(name: string): () => void {
    this.counts.set(name, this.of(name) + 1);
    this.sum++;
    let isCounted = true;
    return () => {
      if (!isCounted) return;
      isCounted = false;
      this.sum--;
      const left = this.of(name) - 1;
      if (left > 0) this.counts.set(name, left);
      else this.counts.delete(name);
    };
  }

  of(name: string): number {
    return this.counts.get(name) ?? 0;
  }

  get all(): number {
    return this.sum;
  }
}
