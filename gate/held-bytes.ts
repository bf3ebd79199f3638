/** Bytes of request bodies that may be in memory at one time. */
export const MOST_HELD = { strangers: 8 * 1024 * 1024, all: 128 * 1024 * 1024 } as const;

/** Counts what bodies in flight may take; strangers have a small share, so that they never use up the staff's. */
export class HeldBytes {
  private strangers = 0;
  private all = 0;

  constructor(private readonly most: { strangers: number; all: number } = MOST_HELD) {}

  /** Takes room for a body: what gives it back, once; or null, there is no room just now. */
  take(bytes: number, isStranger: boolean): (() => void) | null {
    if (this.all + bytes > this.most.all) return null;
    if (isStranger && this.strangers + bytes > this.most.strangers) return null;
    this.all += bytes;
    if (isStranger) this.strangers += bytes;
    let isHeld = true;
    return () => {
      if (!isHeld) return;
      isHeld = false;
      this.all -= bytes;
      if (isStranger) this.strangers -= bytes;
    };
  }

  get now(): number {
    return this.all;
  }
}
