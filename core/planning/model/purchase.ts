/** Units bought of one offer for all machines, by its place in the case. */
export interface Purchase {
  offer: number;
  count: number;
}
