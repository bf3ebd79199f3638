import { readdirSync, readFileSync } from 'node:fs';
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
 * npm run bench: the search against its rival "place every set", which seeks places for each set of modules before
 * it compares any. Both run on the same cases in the same process; printed are milliseconds and their ratio.
 */

const FOLDER = join(process.cwd(), 'core', 'planning', 'cases');
const ROUNDS = 5;

function placeEverySet(planCase: PlanCase, board: Board, force: InForce, usable: number[]): number {
  const frontier = new Frontier();
  for (const proposal of proposals(planCase, board, force, usable)) {
    const placed = bestPlacement(board, force, proposal.pieces);
    const { today } = force;
    const gains = proposal.totalMiB > today.totalMiB || (placed?.bandwidthMBs ?? 0) > today.bandwidthMBs;
    if (placed !== null && gains && placed.rateMTs >= (planCase.goal?.minRateMTs ?? 0))
      frontier.add({ ...proposal, placed });
  }
  return frontier.plans().length;
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

console.log('case                       plans  search ms  every set ms  ratio');
for (const file of readdirSync(FOLDER).filter((name) => name.endsWith('.case.json'))) {
  const planCase = caseSchema.parse(JSON.parse(readFileSync(join(FOLDER, file), 'utf8')));
  const board = makeBoard(planCase);
  const force = inForce(board);
  const usable = planCase.offers.flatMap(({ module }, index) =>
    refusalsOf(module, planCase.machine, force).length > 0 ? [] : [index],
  );
  const ours = time(() => search(planCase, board, force, usable).length);
  const rival = time(() => placeEverySet(planCase, board, force, usable));
  if (ours.plans !== rival.plans) throw new Error(`${file}: ${ours.plans} plans against ${rival.plans}`);
  const name = file.replace('.case.json', '').padEnd(26);
  const cells = [
    String(ours.plans).padStart(5),
    ours.ms.toFixed(1).padStart(10),
    rival.ms.toFixed(1).padStart(13),
    (rival.ms / ours.ms).toFixed(1).padStart(6),
  ];
  console.log(`${name} ${cells.join(' ')}`);
}
