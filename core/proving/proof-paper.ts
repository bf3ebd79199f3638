import type { Language } from '../language';
import { capacityIn } from '../quoting/words/in-language';
import type { ShopOnPaper } from '../shop/shop-on-paper';
import type { Finding, FindingVerdict, ProofVerdict } from './compare-proof';
import { PROOF_WORDS } from './proof-words';

/** What was promised of one machine and found in it. Days `YYYY-MM-DD`. */
export interface MachineProof {
  verdict: ProofVerdict;
  remark: string;
  findings: readonly Finding[];
  signedBy: string;
  signedOn: string;
  depth: 'started' | 'total-read' | 'loaded';
  loadedMinutes: number | null;
  oldModules: readonly { slot: string; what: string; fate: 'returned' | 'shelf' | 'scrapped' }[];
}

/** A signed proof as its customer gets it: what was promised and found, and nothing of costs. */
export interface ProofPaper extends MachineProof {
  language: Language;
  quote: string;
  shop: Omit<ShopOnPaper, 'town'>;
  customer: string;
  machine: string;
  /** each of several machines; absent: there is one */
  machines?: readonly (MachineProof & { name: string })[];
  /** so many were promised */
  promised?: number;
}

/** A machine of several, in one row: its total and its rate, its verdict, and whatever is not as promised. */
export interface MachineRow {
  name: string;
  found: string;
  verdict: ProofVerdict;
  word: string;
  /** remark and points that are not kept; empty: none */
  note: string;
}

/** The machines of a sheet, a row each. */
export function machineRows({ language, machines = [] }: Pick<ProofPaper, 'language' | 'machines'>): MachineRow[] {
  const words = PROOF_WORDS[language];
  return machines.map(({ name, findings, verdict, remark }) => {
    const points = paperPoints({ language, findings });
    const [total, rate] = [points[0], points.find(({ what }) => what === words.points.rate)];
    const off = points.filter((point) => point.verdict === 'remark' || point.verdict === 'broken');
    const notes = [
      ...(remark === '' ? [] : [remark]),
      ...off.map(({ what, promised, found }) => `${what}: ${promised} / ${found}`),
    ];
    return {
      name,
      found: [total?.found, rate?.found].filter(Boolean).join(', '),
      verdict,
      word: words.verdicts[verdict],
      note: notes.join('; '),
    };
  });
}

/** Old modules of all machines by what became of them, with how many. */
export function oldModulesOf({ machines = [] }: Pick<ProofPaper, 'machines'>) {
  const counted = new Map<string, { what: string; fate: MachineProof['oldModules'][number]['fate']; count: number }>();
  for (const { what, fate } of machines.flatMap(({ oldModules }) => oldModules)) {
    const key = `${fate} ${what}`;
    counted.set(key, { what, fate, count: (counted.get(key)?.count ?? 0) + 1 });
  }
  return [...counted.values()];
}

/** One point as it stands on the sheet. */
export interface PaperPoint {
  what: string;
  promised: string;
  found: string;
  verdict: FindingVerdict;
  word: string;
  note: string;
}

/** From so many sockets on those that are as promised share a row: the sheet stays one page. */
const MANY_SOCKETS = 12;

/** Findings as rows: each on its own, or, where there are many sockets, the kept ones of one filling together. */
function rowsOf(findings: readonly Finding[]): { finding: Finding; count: number }[] {
  const many = findings.filter(({ kind }) => kind === 'slot').length >= MANY_SOCKETS;
  const rows: { finding: Finding; count: number }[] = [];
  for (const finding of findings) {
    const { kind, verdict, figures } = finding;
    const same =
      many && kind === 'slot' && verdict === 'kept'
        ? rows.find(
            ({ finding: one }) =>
              one.kind === 'slot' && one.verdict === 'kept' && one.figures.promised === figures.promised,
          )
        : undefined;
    if (same === undefined) rows.push({ finding, count: 1 });
    else same.count++;
  }
  return rows;
}

/** The points of a sheet in its language, made from the figures of what was found. */
export function paperPoints({ language, findings }: Pick<ProofPaper, 'language' | 'findings'>): PaperPoint[] {
  const words = PROOF_WORDS[language];
  const figure = (kind: Finding['kind'], value: number): string => {
    if (kind === 'rate') return `${value} MT/s`;
    if (kind === 'channels') return String(value);
    return value === 0 ? words.empty : capacityIn(language, value);
  };
  return rowsOf(findings).map(({ finding: { kind, what, figures, verdict }, count }) => {
    const { promised, found } = figures;
    const held = kind === 'total' && verdict === 'kept' && found !== null ? promised - found : 0;
    const shown = found === null ? words.notTold : figure(kind, found);
    const name = count > 1 ? words.sockets(count) : what;
    return {
      what: kind === 'slot' ? name : words.points[kind],
      promised: figure(kind, promised),
      found: held > 0 ? words.usable(shown) : shown,
      verdict,
      word: words.verdicts[verdict],
      note: held > 0 ? words.held(capacityIn(language, held)) : '',
    };
  });
}

/** How deep it was looked at, in a sentence. */
export function depthSentence({
  language,
  depth,
  loadedMinutes,
}: Pick<ProofPaper, 'language' | 'depth' | 'loadedMinutes'>): string {
  const words = PROOF_WORDS[language].depth;
  return depth === 'loaded' ? words.loaded(loadedMinutes ?? 0) : words[depth];
}
