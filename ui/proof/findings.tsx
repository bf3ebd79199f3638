'use client';
import { useState } from 'react';
import { dayText } from '@/core/day-text';
import { capacityText } from '@/core/memory/capacity';
import type { ProofView } from '@/service/job/bench/view';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button, buttonLook } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { ChoiceField, TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { isTyped, readTyped, wholeTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';
import { Notice } from '../kit/notice';
import { POINT_VERDICTS, PROOF_DEPTH_WORDS, WHOLE_VERDICTS } from './verdict-words';

/** The total as a bar: what was promised is its whole length, what the system can use is filled, what serves others is hatched. */
function TotalBar({ proof }: { proof: ProofView }) {
  const total = proof.findings.find(({ kind }) => kind === 'total');
  if (total === undefined || total.figures.found === null) return null;
  const { promised, found } = total.figures;
  const share = Math.min(1, found / promised);
  const width = 880;
  const held = Math.max(0, promised - found);
  return (
    <svg
      viewBox={`0 0 ${width} 46`}
      className="w-full"
      role="img"
      aria-label={`Promised ${total.promised}, found ${total.found}${held > 0 ? `, ${capacityText(held)} less` : ''}`}
    >
      <defs>
        <pattern id="held-share" width="8" height="8" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0V8" className="stroke-edge" strokeWidth="4" />
        </pattern>
      </defs>
      <rect x="1" y="1" width={width - 2} height="44" fill="url(#held-share)" className="stroke-edge" strokeWidth="2" />
      <rect
        x="1"
        y="1"
        width={Math.max(2, (width - 2) * share)}
        height="44"
        className={total.verdict === 'broken' ? 'fill-stop' : 'fill-board'}
      />
      <text x="14" y="29" className="fill-board-ink text-[18px] font-semibold">
        {total.found}
      </text>
    </svg>
  );
}

/** Promise and finding point by point, side by side. */
export function Points({ proof }: { proof: ProofView }) {
  return (
    <table className="bg-sheet border border-line w-full">
      <thead>
        <tr className="text-left border-b-2 border-edge text-sm">
          {['Point', 'Promised', 'Found', 'Verdict'].map((head) => (
            <th key={head} scope="col" className="px-4 py-1.5">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {proof.findings.map(({ what, promised, found, verdict, note }) => (
          <tr key={what} className="border-b border-line last:border-0 align-baseline">
            <th scope="row" className="px-4 py-1.5 text-left font-medium">
              {what}
            </th>
            <td className="px-4 py-1.5">{promised}</td>
            <td className="px-4 py-1.5">
              {found}
              {note !== '' && <span className="block text-sm text-ink-2">{note}</span>}
            </td>
            <td className={`px-4 py-1.5 font-semibold whitespace-nowrap ${POINT_VERDICTS[verdict].look}`}>
              <span aria-hidden="true">{POINT_VERDICTS[verdict].sign}</span> {POINT_VERDICTS[verdict].word}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const VERDICT_TEXTS = { kept: 'kept', remark: 'kept, with a remark', broken: 'not kept' } as const;
const SEVERITY = ['kept', 'remark', 'broken'] as const;

interface TypedSign {
  verdict: ProofView['verdict'];
  remark: string;
  depth: keyof typeof PROOF_DEPTH_WORDS;
  minutes: string;
}

/** The technician's name under what was found. */
function SignForm({ proof }: { proof: ProofView }) {
  const { job } = useJob();
  const { save } = useSave();
  const typing = useTyped<TypedSign, object>({
    from: {
      verdict: proof.verdict,
      remark: proof.findings.find((one) => one.verdict === 'remark')?.note ?? '',
      depth: 'total-read',
      minutes: '',
    },
    read: ({ verdict, remark, depth, minutes }) =>
      readTyped<TypedSign, object>(
        {
          minutes:
            depth === 'loaded' &&
            isTyped(minutes) &&
            wholeTyped(minutes) === null &&
            'Type the minutes as a number, or nothing.',
        },
        () => ({
          proof: proof.id,
          verdict,
          remark: verdict === 'kept' ? '' : remark,
          depth,
          loadedMinutes: depth === 'loaded' ? wholeTyped(minutes) : null,
        }),
      ),
    send: (body) => save('POST', `/api/jobs/${job.id}/proof/sign`, body),
  });
  const [verdict, depth] = typing.form.watch(['verdict', 'depth']);
  const drop = () => typing.act(() => save('POST', `/api/jobs/${job.id}/proof/drop`, { proof: proof.id }));
  return (
    <Form typing={typing} className="flex flex-wrap gap-3 items-end has-[[aria-invalid]]:items-start">
      <ChoiceField
        name="verdict"
        label="The promise is"
        className="w-52"
        options={SEVERITY.slice(SEVERITY.indexOf(proof.verdict)).map((value) => ({
          value,
          text: VERDICT_TEXTS[value],
        }))}
      />
      {verdict !== 'kept' && (
        <TextField name="remark" label="What the customer has to know" className="flex-1 min-w-72" />
      )}
      <ChoiceField
        name="depth"
        label="How deep it was looked at"
        className="w-52"
        options={Object.entries(PROOF_DEPTH_WORDS).map(([value, text]) => ({ value, text }))}
      />
      {depth === 'loaded' && (
        <TextField name="minutes" label="Loaded for" className="w-28" unit="min" inputMode="numeric" />
      )}
      <Send className="min-h-11">Sign</Send>
      <Button weight="quiet" disabled={typing.busy} onClick={() => void drop()}>
        Throw this reading away
      </Button>
    </Form>
  );
}

/** Weeks later. */
function FollowUps({ proof }: { proof: ProofView }) {
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const [note, setNote] = useState('');
  const tell = async (works: boolean) => {
    const { ok } = await save('POST', `/api/jobs/${job.id}/proof/follow-up`, { proof: proof.id, works, note });
    if (ok) setNote('');
  };
  return (
    <section aria-label="Weeks later" className="grid gap-1">
      <h2 className="text-sm text-ink-2">Weeks later</h2>
      <ul>
        {proof.followUps.map(({ id, works, note: said, by, on }) => (
          <li key={id}>
            {dayText(on)}: <strong>{works ? 'still runs' : 'has faults'}</strong>
            {said !== '' && `, ${said}`} <span className="text-sm text-ink-2">{by}</span>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap items-end has-[[aria-invalid]]:items-start gap-3">
        <Field
          label="What the customer says"
          className="w-80"
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
        <Button disabled={busy} onClick={() => void tell(true)}>
          It still runs
        </Button>
        <Button disabled={busy} onClick={() => void tell(false)}>
          It has faults
        </Button>
      </div>
      <Fault sentence={sentence} />
    </section>
  );
}

/** The last proof: what was found, signed or to be signed; earlier ones below it. */
export function Findings() {
  const { job } = useJob();
  const { proofs, accepted } = job.work;
  const [last, ...earlier] = proofs;
  if (last === undefined) return null;
  const { tone, text } = WHOLE_VERDICTS[last.verdict];
  return (
    <section aria-label="Promise and finding" className="grid gap-3">
      <Notice tone={tone}>
        <p className="text-lg font-semibold">{text}</p>
        <p>
          Option {accepted?.option.place}, by{' '}
          {last.from === 'report' ? 'the machine’s report of' : 'what its screen showed on'} {dayText(last.takenOn)}
          {last.remark !== '' && `. ${last.remark}`}
        </p>
      </Notice>
      <TotalBar proof={last} />
      <Points proof={last} />
      {last.signedOn === null || last.depth === null ? (
        job.may.signProofs ? (
          <SignForm key={last.id} proof={last} />
        ) : (
          <p className="text-sm text-ink-2">A technician or an owner signs it.</p>
        )
      ) : (
        <>
          <p>
            Signed by <strong>{last.signedBy}</strong> on {dayText(last.signedOn)}: {PROOF_DEPTH_WORDS[last.depth]}
            {last.loadedMinutes !== null && ` for ${last.loadedMinutes} minutes`}.{' '}
            {job.machine.modelId !== null && last.verdict !== 'broken' && 'It is evidence of this model now.'}
          </p>
          {last.verdict !== 'broken' && (
            <div className="flex flex-wrap gap-3">
              <a href={`/api/jobs/${job.id}/proof-sheet`} className={buttonLook('act')}>
                Proof sheet
              </a>
              {accepted?.token != null && (
                <a href={`/q/${accepted.token}/proof`} className={buttonLook('plain')} target="_blank" rel="noreferrer">
                  The customer’s page
                </a>
              )}
            </div>
          )}
          <FollowUps proof={last} />
        </>
      )}
      {earlier.length > 0 && (
        <ul className="text-sm text-ink-2">
          {earlier.map((proof) => (
            <li key={proof.id}>
              {dayText(proof.takenOn)}: {VERDICT_TEXTS[proof.verdict]}
              {proof.signedBy !== null && `, signed by ${proof.signedBy}`}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
