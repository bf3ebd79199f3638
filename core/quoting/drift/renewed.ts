/** What came of each option of a quote that is renewed, by place. */
export interface Renewed {
  /** the same plan at today's price */
  same: number[];
  /** the next best equal plan stands in */
  equal: number[];
  /** nothing equal is left */
  lost: number[];
}
