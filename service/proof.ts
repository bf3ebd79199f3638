import { compareProof, type Finding } from '../core/proving/compare-proof';
import { READ_FAULTS, read } from '../core/reading/read';
import { insertReading } from '../store/readings';
import type { Caller } from './access';
import { changeJob } from './change-job';
import type { JobState } from './job-state';
import { done, fault, type Result } from './result';

/** Takes the report of a machine after fitting, to be held against the sent quote. */
export async function takeProof(
  caller: Caller,
  jobId: number,
  input: { text: string; sourceName: string; place: number },
): Promise<Result<Finding[]>> {
  const outcome = read(input.text);
  if (!outcome.ok) return fault('bad-input', READ_FAULTS[outcome.code]);
  return changeJob(caller, jobId, {
    kind: 'proof-read',
    detail: { source: input.sourceName, place: input.place },
    work: async (db, state) => {
      const promise = state.sent[0]?.snapshot.options.find((option) => option.place === input.place);
      if (promise === undefined) return fault('conflict', 'There is no sent option to hold this against.');
      await insertReading(db, {
        jobId,
        purpose: 'proof',
        optionPlace: input.place,
        sourceName: input.sourceName,
        input: input.text,
        result: outcome.reading,
        staffId: caller.id,
      });
      return done(compareProof(promise, outcome.reading.machine));
    },
  });
}

/** The last proof of a job, held against the option it was read for. */
export function proofFindings(state: JobState): { place: number; findings: Finding[] } | null {
  if (state.proof === null) return null;
  const place = state.proof.optionPlace ?? 1;
  const promise = state.sent[0]?.snapshot.options.find((option) => option.place === place);
  if (promise === undefined) return null;
  return { place, findings: compareProof(promise, state.proof.result.machine) };
}
