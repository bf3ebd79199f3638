'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Check } from '../kit/check';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { capacityText, moneyText } from '../words/amounts';

/** A customer's yes that is said here or on the telephone, with everything that has to be agreed to. */
export function AcceptForm() {
  const t = useTranslations('fitting');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const current = job.sent.find(({ state }) => state === 'sent');
  const [place, setPlace] = useState(job.suggested ?? current?.options[0]?.place ?? 1);
  const [signed, setSigned] = useState(job.customer.name);
  const [ticked, setTicked] = useState<readonly string[]>([]);
  if (current === undefined) return <p>{t('none')}</p>;
  if (current.standing === 'lapsed') return <p>{t('lapsed', { number: current.number })}</p>;
  const option = current.options.find((one) => one.place === place);
  const statements = option?.statements ?? [];
  const accept = () => save('POST', `/api/jobs/${job.id}/accept`, { place, signed, ticked });
  return (
    <section
      aria-label={t('accept.label')}
      className="bg-sheet border-2 border-edge rounded-notch px-4 py-3 grid gap-3"
    >
      <h2 className="text-base">{t('accept.waits', { number: current.number })}</h2>
      <p className="text-sm text-ink-2">{t('accept.how')}</p>
      <div className="flex flex-wrap items-end gap-3">
        <Choice
          label={t('accept.option')}
          className="w-72"
          value={String(place)}
          onChange={(event) => {
            setPlace(Number(event.target.value));
            setTicked([]);
          }}
          options={current.options.map((one) => ({
            value: String(one.place),
            text: t('accept.line', {
              place: one.place,
              totalMiB: capacityText(one.totalMiB),
              totalCents: moneyText(one.totalCents, job.currency),
            }),
          }))}
        />
        <Field
          label={t('accept.by')}
          className="w-56"
          value={signed}
          onChange={(event) => setSigned(event.target.value)}
        />
      </div>
      {statements.length > 0 && (
        <ul className="grid gap-1">
          {statements.map((statement) => (
            <li key={statement}>
              <Check
                checked={ticked.includes(statement)}
                onChange={(on) =>
                  setTicked((before) => (on ? [...before, statement] : before.filter((one) => one !== statement)))
                }
              >
                {t('accept.read', { statement })}
              </Check>
            </li>
          ))}
        </ul>
      )}
      <Fault sentence={sentence} />
      <Button weight="act" className="w-fit" disabled={busy || signed.trim() === ''} onClick={accept}>
        {t('accept.action')}
      </Button>
    </section>
  );
}
