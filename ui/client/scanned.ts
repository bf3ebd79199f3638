/** Signs from a scanner come nearer to one another than a person types, ms. */
const NEAR_MS = 35;
/** Fewer signs than this are no code. */
const LEAST = 4;

/** Tells a keyboard-like scanner's code from typing: many signs at once, then Enter or Tab. */
export class ScanWatch {
  #signs = '';
  #at = 0;

  /**
   * Hears one key.
   *
   * @param at when, ms
   * @returns the code that it ended; null: it ended none
   */
  key(key: string, at: number): string | null {
    const isNear = at - this.#at <= NEAR_MS;
    this.#at = at;
    if (key === 'Enter' || key === 'Tab') {
      const code = isNear ? this.#signs : '';
      this.#signs = '';
      return code.length >= LEAST ? code : null;
    }
    // A sign that needs Shift comes with a key of its own in between.
    if (key.length !== 1) {
      if (key !== 'Shift') this.#signs = '';
      return null;
    }
    this.#signs = isNear ? this.#signs + key : key;
    return null;
  }
}

/** May a code be one that opens something of the shop's: an address, a quote's number? The server says whether it is. */
export const mayOpen = (code: string): boolean => /^https?:\/\/\S+$/i.test(code) || /^\d{4}-\d{4,8}$/.test(code);
