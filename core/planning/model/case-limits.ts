/** The largest case that is planned. */
export const CASE_LIMITS = {
  sockets: 32,
  channels: 16,
  installed: 32,
  offers: 200_000,
  pack: 16,
  machines: 64,
  offersInPlan: 3,
  voltages: 30,
  /** ways to keep some of the installed modules and remove the others, equal ones told apart by their number alone */
  waysToKeep: 10_000,
};
