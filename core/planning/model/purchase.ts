/** Units bought of one offer, by its place in the case. */
export interface Purchase {
  offer: number;
  count: number;
}
