import type { Tick } from '@/core/fitting/bench-state';
import type { FittingStep } from '@/core/fitting/checklist';
import type { Tested } from '@/core/fitting/guide';
import type { PartCounts, PartState } from '@/core/ordering/part-state';
import type { Finding, ProofVerdict } from '@/core/proving/compare-proof';
import type { SeenOption } from '@/core/quoting/staff-view';

/** The option that the customer said yes to. */
export interface AcceptedView {
  number: string;
  option: SeenOption;
  signed: string;
  on: string;
  /** the unguessable part of the customer's link; null: there is none to show */
  token: string | null;
}

/** A part of the accepted option: to be ordered, on its way, here, or from our own shelf. */
export interface PartView {
  title: string;
  quantity: number;
  seller: string;
  /** the order that it is on; null: on none yet, or of the shelf */
  order: { id: number; number: string; line: number } | null;
  counts: PartCounts | null;
  state: PartState | 'to-order' | 'aside';
}

/** What was found to be otherwise than thought. Times ISO 8601. */
export interface FindView {
  id: number;
  step: string;
  kind: 'other-module' | 'other-slots' | 'damage' | 'other';
  note: string;
  by: string | null;
  at: string;
}

export interface FittingView {
  id: number;
  round: number;
  steps: FittingStep[];
  ticks: Tick[];
  finds: FindView[];
  minutes: number | null;
  /** what other jobs found in machines of the same model, by the step that it concerns */
  foundBefore: Record<string, { jobId: number; note: string }[]>;
}

export interface SearchView {
  id: number;
  sign: string;
  beeps: string;
  beganBy: string | null;
  tests: (Tested & { by: string | null; at: string })[];
  ended: string | null;
  about: string;
  endedBy: string | null;
}

export interface ProofView {
  id: number;
  findings: Finding[];
  verdict: ProofVerdict;
  /** what was read, or that it was typed */
  from: 'report' | 'screen';
  takenOn: string;
  takenBy: string | null;
  remark: string;
  depth: 'started' | 'total-read' | 'loaded' | null;
  loadedMinutes: number | null;
  signedBy: string | null;
  signedOn: string | null;
  followUps: { id: number; works: boolean; note: string; by: string | null; on: string }[];
}

export interface OldModuleView {
  slot: string;
  what: string;
  fate: 'returned' | 'shelf' | 'scrapped' | null;
  by: string | null;
}

/** What follows a customer's yes. */
export interface WorkView {
  accepted: AcceptedView | null;
  /** it came to nothing, and why */
  fellThrough: string | null;
  parts: PartView[];
  /** why the accepted option does not go into the machine as it is known by now; null: it does */
  noLongerFits: string | null;
  /** the last time on the bench for the accepted option */
  fitting: FittingView | null;
  /** it was found not kept: what comes next is another time on the bench */
  fittingIsOver: boolean;
  /** how long it took in machines of this model, minutes, the latest first */
  usual: number[];
  searches: SearchView[];
  beeps: { id: number; maker: string; pattern: string; means: string }[];
  /** the latest first */
  proofs: ProofView[];
  old: OldModuleView[];
  /** changes whenever any of this does */
  stamp: string;
}
