'use client';
import { useId, useState } from 'react';
import { capacityText } from '@/core/memory/capacity';
import { useKeptText } from '../client/use-kept-text';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { INPUT_LOOK } from '../kit/field';
import { Notice } from '../kit/notice';

const VERDICTS = {
  kept: { sign: '✓', word: 'kept', look: 'text-good' },
  broken: { sign: '✕', word: 'not kept', look: 'text-stop' },
  untold: { sign: '–', word: 'not told', look: 'text-ink-2' },
} as const;

/** The promise beside what the machine says now, point by point. */
function Findings() {
  const { job } = useJob();
  if (job.proof === null) return null;
  const { findings, place } = job.proof;
  const broken = findings.filter((finding) => finding.verdict === 'broken').length;
  return (
    <section aria-label="Promise and finding" className="grid gap-2">
      <Notice tone={broken === 0 ? 'good' : 'stop'}>
        {broken === 0
          ? `The promise of option ${place} is kept.`
          : `${broken} of ${findings.length} points of option ${place} are not as promised: reseat the modules, then read again.`}
      </Notice>
      <table className="bg-sheet border border-line w-full">
        <thead>
          <tr className="text-left border-b-2 border-edge text-sm">
            <th scope="col" className="px-4 py-1.5">
              Point
            </th>
            <th scope="col" className="px-4 py-1.5">
              Promised
            </th>
            <th scope="col" className="px-4 py-1.5">
              Found
            </th>
            <th scope="col" className="px-4 py-1.5">
              Verdict
            </th>
          </tr>
        </thead>
        <tbody>
          {findings.map((finding) => (
            <tr key={finding.what} className="border-b border-line last:border-0">
              <th scope="row" className="px-4 py-1.5 text-left font-medium">
                {finding.what}
              </th>
              <td className="px-4 py-1.5">{finding.promised}</td>
              <td className="px-4 py-1.5">{finding.found}</td>
              <td className={`px-4 py-1.5 font-semibold ${VERDICTS[finding.verdict].look}`}>
                <span aria-hidden="true">{VERDICTS[finding.verdict].sign}</span> {VERDICTS[finding.verdict].word}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** Proof: drop in the new report; it is held against the sent option. The guided search comes later. */
export function ProofStation() {
  const { job } = useJob();
  const id = useId();
  const [last] = job.sent;
  const [text, setText, letGo] = useKeptText(`fenbrik.proof.${job.id}`, '');
  const [place, setPlace] = useState(String(job.suggested ?? last?.options[0]?.place ?? 1));
  const { busy, sentence, save } = useSave();
  const take = async () => {
    const result = await save('POST', `/api/jobs/${job.id}/proof`, {
      input: { name: 'report after fitting', text },
      place: Number(place),
    });
    if (!result.ok) return;
    setText('');
    letGo();
  };
  return (
    <div className="grid gap-3">
      <h1 className="text-lg">Proof</h1>
      {last === undefined ? (
        <p>Once a quote is sent and fitted, the machine’s new report is held against the promise here.</p>
      ) : (
        <div className="bg-sheet border-2 border-edge rounded-notch px-4 py-3 grid gap-2">
          <label htmlFor={id} className="text-base font-semibold wide">
            What does the machine say now?
          </label>
          <textarea
            id={id}
            rows={4}
            value={text}
            onChange={(event) => setText(event.target.value)}
            spellCheck={false}
            placeholder="Paste the memory report after fitting"
            className={INPUT_LOOK}
          />
          <div className="flex items-end gap-3 flex-wrap">
            <Choice
              label="Fitted was"
              value={place}
              onChange={(event) => setPlace(event.target.value)}
              options={last.options.map((option) => ({
                value: String(option.place),
                text: `option ${option.place}: ${capacityText(option.totalMiB)}`,
              }))}
            />
            <Button weight="act" disabled={busy || text.trim() === ''} onClick={take}>
              Hold it against the promise
            </Button>
          </div>
          <Fault sentence={sentence} />
        </div>
      )}
      <Findings />
      <p className="text-sm text-ink-2">
        The proof sheet for the customer and the guided search when something is amiss come with a later version.
      </p>
    </div>
  );
}
