import { compareProof, type Finding } from '../core/proving/compare-proof';
import { READ_FAULTS } from '../core/reading/read';
import { readApart } from '../outward/read-apart';
import { insertReading } from '../store/readings';
import type { Caller } from './access';
import { changeJob } from './change-job';
import type { ReadingInput } from './intake';
import type { JobState } from './job-state';
import { done, fault, type Result } from './result';
import { settlePieces } from './shelf';

const NO_MACHINE = 'This tells of a module or an offer, not of the machine: drop the machine’s own report.';

/** Takes the report of a machine after fitting, to be held against the sent quote. */
export async function takeProof(
  caller: Caller,
  jobId: number,
  { name, input, place }: ReadingInput & { place: number },
): Promise<Result<Finding[]>> {
  const outcome = await readApart(input);
  if (!outcome.ok) return fault('bad-input', READ_FAULTS[outcome.code]);
  const { reading } = outcome;
  const { machine } = reading;
  if (machine === undefined) return fault('bad-input', NO_MACHINE);
  return changeJob(caller, jobId, {
    kind: 'proof-read',
    detail: { source: name, place },
    work: async (db, state) => {
      const promise = state.sent[0]?.snapshot.options.find((option) => option.place === place);
      if (promise === undefined) return fault('conflict', 'There is no sent option to hold this against.');
      await insertReading(db, {
        jobId,
        purpose: 'proof',
        optionPlace: place,
        sourceName: name,
        input,
        result: reading,
        staffId: caller.id,
      });
      await settlePieces(db, jobId, promise);
      return done(compareProof(promise, machine));
    },
  });
}

/** The last proof of a job, held against the option it was read for. */
export function proofFindings(state: JobState): { place: number; findings: Finding[] } | null {
  if (state.proof === null) return null;
  const place = state.proof.optionPlace ?? 1;
  const promise = state.sent[0]?.snapshot.options.find((option) => option.place === place);
  const { machine } = state.proof.result;
  if (promise === undefined || machine === undefined) return null;
  return { place, findings: compareProof(promise, machine) };
}
