/** The stations of a job in the order of work. */
export const STATIONS = ['intake', 'limits', 'options', 'quote', 'fitting', 'proof'] as const;
export type Station = (typeof STATIONS)[number];

/** How a station stands: done, wants a decision, or waits for something before it. */
export const STANDINGS = ['done', 'decide', 'waits'] as const;
export type StationStanding = (typeof STANDINGS)[number];

/** What is known of a job that its stations depend on. */
export interface JobFacts {
  customerNamed: boolean;
  slotCount: number;
  /** things that must be asked before plans can be made */
  gapCount: number;
  limitsAgreed: boolean;
  choiceCount: number;
  quoteSent: boolean;
  /** the customer asked something that nobody answered yet */
  questionOpen: boolean;
  /** the last time on the bench came to its end */
  fitted: boolean;
  /** the promise was held against the machine, signed and not broken */
  proved: boolean;
}

/** A job of which nothing is known yet. */
export const NO_FACTS: Readonly<JobFacts> = {
  customerNamed: false,
  slotCount: 0,
  gapCount: 0,
  limitsAgreed: false,
  choiceCount: 0,
  quoteSent: false,
  questionOpen: false,
  fitted: false,
  proved: false,
};

/** How each station of a job stands. */
export function stationStandings(facts: JobFacts): Record<Station, StationStanding> {
  const intake = facts.customerNamed && facts.slotCount > 0;
  const plannable = facts.slotCount > 0 && facts.gapCount === 0;
  return {
    intake: intake ? 'done' : 'decide',
    limits: facts.slotCount === 0 ? 'waits' : plannable && facts.limitsAgreed ? 'done' : 'decide',
    options: !plannable ? 'waits' : facts.choiceCount > 0 || facts.quoteSent ? 'done' : 'decide',
    quote: facts.choiceCount > 0 || facts.questionOpen ? 'decide' : facts.quoteSent ? 'done' : 'waits',
    fitting: facts.proved || facts.fitted ? 'done' : facts.quoteSent ? 'decide' : 'waits',
    proof: facts.proved ? 'done' : facts.fitted ? 'decide' : 'waits',
  };
}

/** The station that wants somebody next: the first that has to be decided, else the last. */
export function nextStation(standings: Record<Station, StationStanding>): Station {
  return STATIONS.find((station) => standings[station] === 'decide') ?? 'proof';
}
