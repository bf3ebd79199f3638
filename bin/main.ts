import { readFileSync } from 'node:fs';
import { Command } from 'commander';
import { parseCase } from '../core/planning/parse-case';
import { answer } from '../core/planning/plan';
import { decodeText } from '../core/reading/decode-text';
import { READ_FAULTS, read } from '../core/reading/read';

/** What one file comes to: an answer for stdout, or lines for stderr. */
type Outcome = { ok: true; value: unknown } | { ok: false; lines: string[] };

const BAD_INPUT = 2;

function fileBytes(file: string): Uint8Array | null {
  try {
    return readFileSync(file);
  } catch {
    return null;
  }
}

function planFile(bytes: Uint8Array): Outcome {
  let json: unknown;
  try {
    json = JSON.parse(decodeText(bytes));
  } catch {
    return { ok: false, lines: ['(document): this is no JSON'] };
  }
  const parsed = parseCase(json);
  return parsed.ok ? { ok: true, value: answer(parsed.planCase) } : { ok: false, lines: parsed.faults };
}

function readFile(bytes: Uint8Array): Outcome {
  const result = read(bytes);
  return result.ok ? { ok: true, value: result.reading } : { ok: false, lines: [READ_FAULTS[result.code]] };
}

/** Answers file by file, in order; a bad one says why on stderr and does not keep the others from their answer. */
function forEachFile(files: readonly string[], work: (bytes: Uint8Array) => Outcome): void {
  for (const file of files) {
    const bytes = fileBytes(file);
    const outcome: Outcome = bytes === null ? { ok: false, lines: ['this file cannot be read'] } : work(bytes);
    if (outcome.ok) {
      process.stdout.write(`${JSON.stringify(outcome.value)}\n`);
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
    .action((files: string[]) => forEachFile(files, planFile));
  program
    .command('read')
    .description('read what a machine, a module or a seller says about memory: one JSON object a line, in order')
    .argument('<file...>', 'SMBIOS tables or their text, SPDs, hardware listings, CIM data, titles, saved pages')
    .action((files: string[]) => forEachFile(files, readFile));
  program.parse(argv);
}
