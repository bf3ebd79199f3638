import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { type Board, makeBoard } from '../core/planning/board';
import { caseSchema, type PlanCase } from '../core/planning/case';
import { Frontier } from '../core/planning/frontier';
import { type InForce, inForce } from '../core/planning/in-force';
import { bestPlacement } from '../core/planning/placement';
import { proposals } from '../core/planning/proposals';
import { refusalsOf } from '../core/planning/refuse-offer';
import { search } from '../core/planning/search';

/*
 * npm run bench: the search, which remembers placements, against its rival "place every set anew". Both run on the
 * same cases in the same process; printed are milliseconds and their ratio. The cases marked x4 have every offer from
 * four makers at other prices, which is what a shop's market looks like.
 */

const FOLDER = join(process.cwd(), 'core', 'planning', 'cases');
const ROUNDS = 3;

function placeEverySet(planCase: PlanCase, board: Board, force: InForce, usable: number[]): number {
  const { today } = force;
  const frontier = new Frontier();
  for (const proposal of proposals(planCase, board, force, usable)) {
    const placed = bestPlacement(board, force, proposal.pieces);
    if (placed === null || placed.rateMTs < (planCase.goal?.minRateMTs ?? 0)) continue;
    if (proposal.totalMiB === today.totalMiB && placed.bandwidthMBs <= today.bandwidthMBs) continue;
    frontier.add({ ...proposal, placed });
  }
  return frontier.plans().length;
}

/** The case as on a market with four makers of everything. */
function fourfold(planCase: PlanCase): PlanCase {
  const offers = [0, 1, 2, 3].flatMap((maker) =>
    planCase.offers.map((offer) => ({
      ...offer,
      id: `${offer.id} ${maker}`,
      priceCents: offer.priceCents + maker * 130 - ((offer.priceCents * maker) % 97),
      module: { ...offer.module, maker: `maker ${maker}` },
    })),
  );
  return { ...planCase, offers };
}

/** The least of several rounds, in ms. */
function time(work: () => number): { ms: number; plans: number } {
  let ms = Number.POSITIVE_INFINITY;
  let plans = 0;
  for (let round = 0; round < ROUNDS; round++) {
    const from = process.hrtime.bigint();
    plans = work();
    ms = Math.min(ms, Number(process.hrtime.bigint() - from) / 1e6);
  }
  return { ms, plans };
}

function compare(name: string, planCase: PlanCase): void {
  const board = makeBoard(planCase);
  const force = inForce(board);
  const fits = planCase.offers.map(({ module }) => refusalsOf(module, planCase.machine, force).length === 0);
  const usable = fits.flatMap((fit, index) => (fit ? [index] : []));
  const ours = time(() => search(planCase, board, force, usable).length);
  const rival = time(() => placeEverySet(planCase, board, force, usable));
  if (ours.plans !== rival.plans) throw new Error(`${name}: ${ours.plans} plans against ${rival.plans}`);
  const cells = [ours.plans, ours.ms.toFixed(1), rival.ms.toFixed(1), (rival.ms / ours.ms).toFixed(1)];
  console.log(`${name.padEnd(24)} ${cells.map((cell) => String(cell).padStart(11)).join(' ')}`);
}

console.log(
  `${'case'.padEnd(24)} ${['plans', 'search ms', 'rival ms', 'ratio'].map((head) => head.padStart(11)).join(' ')}`,
);
for (const name of ['bakery-till', 'allotment-desktop', 'photo-club-box', 'vet-workstation']) {
  const planCase = caseSchema.parse(JSON.parse(readFileSync(join(FOLDER, `${name}.case.json`), 'utf8')));
  compare(name, planCase);
  compare(`${name} x4`, fourfold(planCase));
}
