import { readFileSync, statSync } from 'node:fs';
import { Command, Option } from 'commander';
import { explainOffer } from '../core/planning/explain/explain-offer';
import { parseCase } from '../core/planning/model/parse-case';
import { answer } from '../core/planning/search/answer';
import { decodeText } from '../core/reading/bytes/decode-text';
import { READ_FAULTS, read } from '../core/reading/read';
import { explainedText, planTable } from './plan-table';

/** What one file comes to: text for stdout, or lines for stderr. */
type Outcome = { ok: true; text: string } | { ok: false; lines: string[] };

/** A case of 200,000 offers is far smaller. */
const LARGEST_CASE_BYTES = 256 * 1024 * 1024;

const BAD_INPUT = 2;

/** A file's bytes, or why there are none. */
function fileBytes(file: string): Uint8Array | string {
  try {
    const { size } = statSync(file);
    if (size > LARGEST_CASE_BYTES) return `(document): ${Math.round(size / 1024 / 1024)} MiB are too much to be read`;
    return readFileSync(file);
  } catch {
    return 'this file cannot be read';
  }
}

const FORMATS = ['json', 'table'] as const;

interface PlanOptions {
  format: (typeof FORMATS)[number];
  /** id of an offer to explain */
  explain?: string;
}

const planFile =
  ({ format, explain }: PlanOptions) =>
  (bytes: Uint8Array): Outcome => {
    let json: unknown;
    try {
      json = JSON.parse(decodeText(bytes));
    } catch {
      return { ok: false, lines: ['(document): this is no JSON'] };
    }
    const parsed = parseCase(json);
    if (!parsed.ok) return { ok: false, lines: parsed.faults };
    const { planCase } = parsed;
    const explained = explain === undefined ? null : explainOffer(planCase, explain);
    if (explain !== undefined && explained === null) {
      return { ok: false, lines: [`offers: none has the id "${explain}"`] };
    }
    const answered = answer(planCase);
    if (format === 'json') {
      return {
        ok: true,
        text: JSON.stringify({ ...answered, ...(explained && { explained: { offer: explain, ...explained } }) }),
      };
    }
    const told = explain === undefined || explained === null ? [] : [explainedText(planCase, explain, explained)];
    return { ok: true, text: [planTable(planCase, answered), ...told].join('\n') };
  };

function readFile(bytes: Uint8Array): Outcome {
  const result = read(bytes);
  return result.ok
    ? { ok: true, text: JSON.stringify(result.reading) }
    : { ok: false, lines: [READ_FAULTS[result.code]] };
}

/** Answers file by file, in order; a bad one says why on stderr and does not keep the others from their answer. */
function forEachFile(files: readonly string[], work: (bytes: Uint8Array) => Outcome): void {
  for (const file of files) {
    const bytes = fileBytes(file);
    const outcome: Outcome = typeof bytes === 'string' ? { ok: false, lines: [bytes] } : work(bytes);
    if (outcome.ok) {
      process.stdout.write(`${outcome.text}\n`);
    } else {
      process.exitCode = BAD_INPUT;
      for (const line of outcome.lines) process.stderr.write(`${file}: ${line}\n`);
    }
  }
}

/** The command line: `plan CASE.json...` and `read FILE...`. Exit code 2 where any input was bad. */
export function main(argv: string[]): void {
  const program = new Command('fenbrik').description(
    'Memory upgrades for repair shops: plans and readings from the shell.',
  );
  program
    .command('plan')
    .description('answer planning cases: one JSON object a line, in order')
    .argument('<case...>', 'case files ("fenbrik": "case/1")')
    .addOption(new Option('--format <format>', 'how the answer is printed').choices(FORMATS).default('json'))
    .addOption(new Option('--explain <offer>', 'say why an offer is in no plan, or in which'))
    .action((files: string[], options: PlanOptions) => forEachFile(files, planFile(options)));
  program
    .command('read')
    .description('read what a machine, a module or a seller says about memory: one JSON object a line, in order')
    .argument('<file...>', 'SMBIOS tables or their text, SPDs, hardware listings, CIM data, titles, saved pages')
    .action((files: string[]) => forEachFile(files, readFile));
  program.parse(argv);
}
