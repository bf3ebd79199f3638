'use client';
import { useTranslations } from '#translations';
import { namedIn } from '@/core/machine/models/named-in';
import { useSave } from '../client/use-save';
import { useFind } from '../intake/use-find';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';

interface LabelledMachineProps {
  jobId: number;
  /** what stands on the label */
  text: string;
  serial: string | null;
  onTaken: () => void;
}

/** A label that names a model of the library, and the machine's serial: one press says that it is this one. */
export function LabelledMachine({ jobId, text, serial, onTaken }: LabelledMachineProps) {
  const t = useTranslations('intake');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const line = text.replace(/\s+/g, ' ').slice(0, 300);
  const { models } = useFind(job.machine.modelId === null && line !== '' ? line : null, jobId);
  const named = models.filter(({ name }) => namedIn(name, text));
  if (named.length === 0) return null;
  const take = async (modelId: number) => {
    const taken = await save('PUT', `/api/jobs/${jobId}/model`, { modelId });
    if (!taken.ok) return;
    if (serial !== null && job.machine.serial === '')
      await save('PATCH', `/api/jobs/${jobId}/intake`, { set: { serial }, seen: { serial: '' } });
    onTaken();
  };
  return (
    <div className="grid gap-1 justify-items-start">
      <p className="text-sm text-ink-2">{t('pictures.known')}</p>
      {named.map(({ id, maker, name, years }) => (
        <Button key={id} disabled={busy} onClick={() => void take(id)}>
          {t.rich('pictures.itIs', {
            maker,
            name,
            e0: () => <span className="font-normal">({years})</span>,
            value: serial !== null && job.machine.serial === '' ? t('pictures.serial', { serial }) : '',
          })}
        </Button>
      ))}
      <Fault sentence={sentence} />
    </div>
  );
}
