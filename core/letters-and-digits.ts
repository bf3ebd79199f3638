/** A name as what tells it apart: its letters and digits, in lower case. `DIMM_A1` and `dimm a1` are one. */
export const lettersAndDigits = (name: string | null): string => (name ?? '').toLowerCase().replace(/[^a-z0-9]/g, '');
