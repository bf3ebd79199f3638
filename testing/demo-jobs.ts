import { STORIES } from '../demo/stories';

/** The number of the demo job of a customer: jobs are played in the order in which their stories are told. */
function jobOf(customer: string): number {
  const at = STORIES.findIndex(({ customer: { name } }) => name.includes(customer));
  if (at < 0) throw new Error(`no demo job is of ${customer}`);
  return at + 1;
}

/** The demo shop's jobs, by whom they are of. */
export const JOBS = {
  /** a till, its limits agreed; ready for Options */
  bakery: jobOf('Fairlie’s Bakery'),
  /** a laptop with half its memory soldered, a quote drafted */
  choir: jobOf('Skerrow Choir'),
  /** a workstation of three channels, read from dumps and a label */
  vets: jobOf('Quay Vets'),
  /** odd modules, one of which the report cannot name */
  allotment: jobOf('Allotment Society'),
  /** a board beyond its papers, a quote sent */
  photoClub: jobOf('Photo Club'),
  /** a kiosk, fitted and proved */
  library: jobOf('Skerrow Library'),
  /** under a support contract, a quote sent */
  ferryOffice: jobOf('Ferry Office'),
  /** a name and nothing else */
  tilde: jobOf('Tilde Marsh'),
  /** a server of eight slots */
  museum: jobOf('Skerrow Museum'),
  /** a server of 32 sockets */
  harbour: jobOf('Harbour Office'),
  /** the bakery's second till: nothing but who brings it */
  secondTill: STORIES.findIndex(({ customer: { name } }) => name === 'Oddny Fairlie') + 1,
} as const;
