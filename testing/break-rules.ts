import { execFileSync } from 'node:child_process';
import { cpSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/*
 * npm run break-rules: breaks one rule of the planner after another in a copy, and runs the test against trying everything.
 * A rule whose breaking goes unnoticed is not tested.
 */

interface Break {
  rule: string;
  file: string;
  is: string;
  becomes: string;
}

const BREAKS: readonly Break[] = [
  {
    rule: 'a slot takes no larger module than it says',
    file: 'packing/channels.ts',
    is: 'shape.capacityMiB <= (this.#limits[slot] ?? 0)',
    becomes: 'true',
  },
  {
    rule: 'the CPU caps the rate',
    file: 'running-rate.ts',
    is: 'machine.cpu?.maxRateMTs ?? Number.POSITIVE_INFINITY',
    becomes: 'machine.cpu?.maxRateMTs && Number.POSITIVE_INFINITY || Number.POSITIVE_INFINITY',
  },
  {
    rule: 'slower than today is minded',
    file: 'packing/outcome.ts',
    is: 'rateMTs < today.rateMTs || bandwidthMBs < today.bandwidthMBs',
    becomes: 'rateMTs < today.rateMTs',
  },
  {
    rule: 'what runs today proves its total',
    file: 'in-force.ts',
    is: 'largestKnown(official, total?.proven, today.totalMiB)',
    becomes: 'largestKnown(official, total?.proven)',
  },
  {
    rule: 'all modules share a voltage',
    file: 'refuse-set.ts',
    is: '.reduce((common, { voltages }) => common & voltages, -1) === 0',
    becomes: '.length < 0',
  },
  {
    rule: 'no more is bought than is in stock',
    file: 'search/lots.ts',
    is: 'pack.stock ?? Number.POSITIVE_INFINITY',
    becomes: 'Number.POSITIVE_INFINITY',
  },
  {
    rule: 'what must stay stays',
    file: 'search/kept-sets.ts',
    is: "if (keep === 'must') group.must.push(index);",
    becomes: "if (keep === 'must') group.may.push(index);",
  },
  {
    rule: 'of equal plans the one with fewer units is shown',
    file: 'search/candidates.ts',
    is: 'units(a) - units(b) ||',
    becomes: '',
  },
  {
    rule: 'unequal channels may work as one',
    file: 'packing/levels.ts',
    is: "this.board.machine.unevenChannels === 'single'",
    becomes: "this.board.machine.unevenChannels === ('never' as string)",
  },
  {
    rule: 'fewest modules are moved',
    file: 'packing/seats.ts',
    is: 'do most--;',
    becomes: 'do most -= 2;',
  },
  {
    rule: 'ranks are equal in a bank that must be paired',
    file: 'packing/bank-wants.ts',
    is: '(want.ranks === null || shape.ranks === null || want.ranks === shape.ranks)',
    becomes: 'true',
  },
  {
    rule: 'a rule of load may count ranks',
    file: 'load-caps.ts',
    is: 'mostRanks >= (rule.ranks ?? 0)',
    becomes: 'mostRanks >= 0',
  },
  {
    rule: 'channels that hold something else are told apart',
    file: 'packing/twins.ts',
    is: 'slots[slot] === slots[other] &&',
    becomes: '',
  },
  {
    rule: 'a mixed plan is shown only where no plan at all dominates it',
    file: 'search/frontier.ts',
    is: "return plan.lane !== 'mixed' || !cheaper.has(plan);",
    becomes: 'return true;',
  },
  {
    rule: 'more modules in the fullest channel may mean less care',
    file: 'packing/rivals.ts',
    is: 'levels.slice(0, at).every((higher) => !higher.even || higher.capMTs > level.capMTs)',
    becomes: 'at === 0',
  },
  {
    rule: 'a module counts with its fastest profile',
    file: 'counted-speed.ts',
    is: 'b.rateMTs - a.rateMTs ||',
    becomes: 'a.rateMTs - b.rateMTs ||',
  },
  {
    rule: 'sockets are filled by bank, then by channel',
    file: 'fill-order.ts',
    is: 'bankOf(a) - bankOf(b) || channelOf(a) - channelOf(b)',
    becomes: 'channelOf(a) - channelOf(b) || bankOf(a) - bankOf(b)',
  },
];

const ROOT = join(import.meta.dirname, '..');

/** True where the test fails on a copy with this rule broken. */
function isCaught({ file, is, becomes }: Break): boolean {
  const folder = mkdtempSync(join(tmpdir(), 'fenbrik-broken-'));
  try {
    for (const part of ['core', 'package.json', 'tsconfig.json', 'jest.config.mjs']) {
      cpSync(join(ROOT, part), join(folder, part), { recursive: true });
    }
    symlinkSync(join(ROOT, 'node_modules'), join(folder, 'node_modules'));
    const path = join(folder, 'core', 'planning', file);
    const code = readFileSync(path, 'utf8');
    if (!code.includes(is)) throw new Error(`${file} no longer says: ${is}`);
    writeFileSync(path, code.replace(is, becomes));
    try {
      execFileSync('npx', ['jest', '--silent', '--testRegex', 'planning/(brute-force|packing/packing)\\.test\\.ts$'], {
        cwd: folder,
        stdio: 'pipe',
      });
      return false;
    } catch {
      return true;
    }
  } finally {
    rmSync(folder, { recursive: true, force: true });
  }
}

let missed = 0;
for (const one of BREAKS) {
  const caught = isCaught(one);
  if (!caught) missed++;
  console.log(`${caught ? 'caught' : 'MISSED'}  ${one.rule}`);
}
console.log(`${BREAKS.length - missed} of ${BREAKS.length} broken rules were caught`);
process.exitCode = missed === 0 ? 0 : 1;
