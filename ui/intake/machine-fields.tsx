'use client';
import Link from 'next/link';
import { useTranslations } from '#translations';
import { worded } from '@/ui/words/worded';
import { useJob } from '../job/job-context';
import { Check } from '../kit/check';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { ClashChoice } from './clash-choice';
import { IntakeTextField } from './intake-fields';
import { SeveralMachines } from './several-machines';
import { usePut } from './use-put';

const BITS = [
  { value: '', text: 'notAsked' },
  { value: '64', text: 'bits.64' },
  { value: '32', text: 'bits.32' },
] as const;

/** Which machine it is, as far as no report says; also one that the customer has not bought yet. */
export function MachineFields() {
  const t = useTranslations('intake');
  const { job } = useJob();
  const putting = usePut();
  const { put } = putting;
  const { os, osBits } = job.wants;
  const systems = [
    { value: '', text: t('notAsked') },
    ...job.needs.systems.map((system) => ({ value: system.os, text: system.os })),
    ...(os !== '' && !job.needs.systems.some((system) => system.os === os) ? [{ value: os, text: os }] : []),
  ];
  return (
    <fieldset className="grid grid-cols-2 gap-2.5">
      <legend className="text-base font-semibold wide mb-1">{t('machine')}</legend>
      <IntakeTextField
        key={`maker ${job.machine.maker}`}
        name="machineMaker"
        label={t('maker')}
        saved={job.machine.maker}
      />
      <IntakeTextField
        key={`model ${job.machine.name}`}
        name="machineName"
        label={t('model')}
        saved={job.machine.name}
      />
      <IntakeTextField
        key={`serial ${job.machine.serial}`}
        name="serial"
        label={t('serial')}
        saved={job.machine.serial}
        scan="serial"
      />
      <IntakeTextField key={`cpu ${job.cpu.told}`} name="cpu" label={t('cpu')} saved={job.cpu.told} />
      <Choice
        label={t('system')}
        value={os}
        options={systems}
        onChange={(event) => void put({ os: event.target.value })}
      />
      <Choice
        label={t('runsIn')}
        value={osBits === null ? '' : String(osBits)}
        options={worded(t, BITS)}
        onChange={(event) => void put({ osBits: event.target.value === '' ? null : Number(event.target.value) })}
      />
      <SeveralMachines key={`machines ${job.machine.count}`} />
      <div className="col-span-2">
        <ClashChoice putting={putting} />
        <Fault sentence={putting.sentence} />
      </div>
      <div className="col-span-2 flex flex-wrap items-center justify-between gap-2 text-sm">
        <Check checked={job.notBought} onChange={(notBought) => void put({ notBought })} className="min-h-6">
          {t('notBought')}
        </Check>
        {job.machine.modelId !== null && (
          <Link href={`/models/${job.machine.modelId}`} className="underline underline-offset-2">
            {t('inLibrary', { modelName: job.machine.modelName ?? '' })}
          </Link>
        )}
      </div>
    </fieldset>
  );
}
