'use client';
import { useState } from 'react';
import { capacityText } from '@/core/memory/capacity';
import { moneyText } from '@/core/pricing/money-text';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Check } from '../kit/check';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';

/** A customer's yes that is said here or on the telephone, with everything that has to be agreed to. */
export function AcceptForm() {
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const current = job.sent.find(({ state }) => state === 'sent');
  const [place, setPlace] = useState(job.suggested ?? current?.options[0]?.place ?? 1);
  const [signed, setSigned] = useState(job.customer.name);
  const [ticked, setTicked] = useState<readonly string[]>([]);
  if (current === undefined)
    return <p>Once a quote is sent and accepted, its parts and the work on the bench stand here.</p>;
  if (current.standing === 'lapsed') return <p>The quote {current.number} has lapsed: send a new version first.</p>;
  const option = current.options.find((one) => one.place === place);
  const statements = option?.statements ?? [];
  const accept = () => save('POST', `/api/jobs/${job.id}/accept`, { place, signed, ticked });
  return (
    <section
      aria-label="The customer’s yes"
      className="bg-sheet border-2 border-edge rounded-notch px-4 py-3 grid gap-3"
    >
      <h2 className="text-base">{current.number} waits for the customer’s yes</h2>
      <p className="text-sm text-ink-2">
        It comes by the customer’s link by itself. Said here or on the telephone, it is taken down:
      </p>
      <div className="flex flex-wrap items-end gap-3">
        <Choice
          label="Yes to"
          className="w-72"
          value={String(place)}
          onChange={(event) => {
            setPlace(Number(event.target.value));
            setTicked([]);
          }}
          options={current.options.map((one) => ({
            value: String(one.place),
            text: `option ${one.place}: ${capacityText(one.totalMiB)}, ${moneyText(one.totalCents, job.currency)}`,
          }))}
        />
        <Field label="Said by" className="w-56" value={signed} onChange={(event) => setSigned(event.target.value)} />
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
                Read out and agreed: {statement}
              </Check>
            </li>
          ))}
        </ul>
      )}
      <Fault sentence={sentence} />
      <Button weight="act" className="w-fit" disabled={busy || signed.trim() === ''} onClick={accept}>
        Record acceptance
      </Button>
    </section>
  );
}
