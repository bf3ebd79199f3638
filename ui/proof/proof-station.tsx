'use client';
import { useTranslations } from '#translations';
import { useFresh } from '../client/use-fresh';
import { useJob } from '../job/job-context';
import { MachinePicker } from '../job/machine-picker';
import { MoneySection } from '../money/money-section';
import { Findings } from './findings';
import { NotWorking } from './not-working';
import { OldModulesSection } from './old-modules';
import { TakeReport } from './take-report';

/** Proof: the promise of the accepted option beside what the machine says now, signed; and what became of the old modules. */
export function ProofStation() {
  const t = useTranslations('proof');
  const { job } = useJob();
  const { accepted, stamp, proofs, notWorking } = job.work;
  useFresh(job.id, stamp);
  const isDone = proofs[0]?.signedOn != null && proofs[0].verdict !== 'broken';
  const areAllDone = job.work.machines.every(({ proof }) => proof === 'signed');
  return (
    <div className="grid gap-4">
      <h1 className="text-lg">{t('title')}</h1>
      {accepted === null ? (
        <p>{t('none')}</p>
      ) : (
        <>
          <MachinePicker />
          {!isDone && accepted.option.partsOnly && <p>{t('partsOnly')}</p>}
          {notWorking === null && (!isDone || !areAllDone) && <TakeReport />}
          <NotWorking />
          <Findings />
          <OldModulesSection />
          <MoneySection />
        </>
      )}
    </div>
  );
}
