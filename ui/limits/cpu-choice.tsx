'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { CpuChoice as Cpu } from '@/core/machine/models/model';
import { ClashChoice } from '../intake/clash-choice';
import { usePut } from '../intake/use-put';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { capacityText } from '../words/amounts';

function factsText({ maxMiB, maxRateMTs }: Cpu): string {
  return [maxMiB === null ? '' : capacityText(maxMiB), maxRateMTs === null ? '' : `${maxRateMTs} MT/s`]
    .filter((part) => part !== '')
    .join(', ');
}

/** Where a model comes with several CPUs and nobody has said which: the question, with what each means for memory. */
export function CpuQuestion() {
  const t = useTranslations('limits');
  const { job } = useJob();
  const putting = usePut();
  const { busy, sentence } = putting;
  const { told, chosen, choices } = job.cpu;
  const [another, setAnother] = useState(false);
  if (choices.length < 2) return null;
  const put = async (cpu: string) => {
    const result = await putting.put({ cpu });
    if (result.ok) setAnother(false);
  };
  if (chosen !== null && !another) {
    return (
      <p className="text-sm">
        {t.rich('cpu.is', {
          e0: () => <span className="font-semibold">{chosen.name}</span>,
          chosen: factsText(chosen),
          e1: () => (
            <Button weight="quiet" disabled={busy} onClick={() => setAnother(true)}>
              {t('cpu.another')}
            </Button>
          ),
        })}
      </p>
    );
  }
  return (
    <section aria-label={t('question')} className="border-2 border-act bg-sheet rounded-notch px-3 py-2">
      <p className="font-semibold">
        {told === '' || another ? t('cpu.which') : t('cpu.said', { told })}
        {told === '' && <span className="font-normal text-ink-2 text-sm">{t('cpu.until')}</span>}
      </p>
      <div className="flex flex-wrap gap-2 mt-1.5">
        {choices.map((cpu) => (
          <Button key={cpu.name} disabled={busy} onClick={() => put(cpu.name)}>
            {cpu.name} <span className="text-ink-2 font-normal">{factsText(cpu)}</span>
          </Button>
        ))}
      </div>
      <ClashChoice putting={putting} />
      <Fault sentence={sentence} />
    </section>
  );
}
