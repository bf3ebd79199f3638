'use client';
import { useFresh } from '../client/use-fresh';
import { useJob } from '../job/job-context';
import { Findings } from './findings';
import { OldModules } from './old-modules';
import { TakeReport } from './take-report';

/** Proof: the promise of the accepted option beside what the machine says now, signed; and what became of the old modules. */
export function ProofStation() {
  const { job } = useJob();
  const { accepted, stamp, proofs } = job.work;
  useFresh(job.id, stamp);
  const isDone = proofs[0]?.signedOn != null && proofs[0].verdict !== 'broken';
  return (
    <div className="grid gap-4">
      <h1 className="text-lg">Proof</h1>
      {accepted === null ? (
        <p>Once an option is accepted and fitted, the machine’s new report is held against the promise here.</p>
      ) : (
        <>
          {!isDone && <TakeReport />}
          <Findings />
          <OldModules />
        </>
      )}
    </div>
  );
}
