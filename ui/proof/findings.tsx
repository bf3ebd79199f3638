'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { ProofView } from '@/service/job/bench/view';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button, buttonLook } from '../kit/button';
import { Check } from '../kit/check';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { ChoiceField, TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { isTyped, readTyped, wholeTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';
import { Notice } from '../kit/notice';
import { capacityText, dayText } from '../words/amounts';
import { POINT_VERDICTS, PROOF_DEPTH_WORDS, WHOLE_VERDICTS } from './verdict-words';

/** The total as a bar: what was promised is its whole length, what the system can use is filled, what serves others is hatched. */
function TotalBar({ proof }: { proof: ProofView }) {
  const t = useTranslations('proof');
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
      aria-label={t('findings.total', {
        promised: total.promised,
        found: total.found,
        value: held > 0 ? t('findings.less', { held: capacityText(held) }) : '',
      })}
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
  const t = useTranslations('proof');
  return (
    <table className="stacks bg-sheet border border-line w-full">
      <thead>
        <tr className="text-left border-b-2 border-edge text-sm">
          {[t('findings.point'), t('findings.promised'), t('findings.found'), t('findings.verdict')].map((head) => (
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
            <td data-column={t('findings.promised')} className="px-4 py-1.5">
              {promised}
            </td>
            <td data-column={t('findings.found')} className="px-4 py-1.5">
              {found}
              {note !== '' && <span className="block text-sm text-ink-2">{note}</span>}
            </td>
            <td className={`stacks-end px-4 py-1.5 font-semibold whitespace-nowrap ${POINT_VERDICTS[verdict].look}`}>
              <span aria-hidden="true">{POINT_VERDICTS[verdict].sign}</span> {t(POINT_VERDICTS[verdict].word)}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const VERDICT_TEXTS = { kept: 'findings.kept', remark: 'findings.remark', broken: 'findings.broken' } as const;
const SEVERITY = ['kept', 'remark', 'broken'] as const;

interface TypedSign {
  verdict: ProofView['verdict'];
  remark: string;
  depth: keyof typeof PROOF_DEPTH_WORDS;
  minutes: string;
  others: boolean;
}

/** The technician's name under what was found. */
function SignForm({ proof }: { proof: ProofView }) {
  const t = useTranslations('proof');
  const { job } = useJob();
  const { save } = useSave();
  const alike = job.work.machines.filter(
    ({ jobId, machine, proof: its }) => jobId === job.id && machine !== job.work.machine && its === 'read',
  ).length;
  const typing = useTyped<TypedSign, object>({
    from: {
      verdict: proof.verdict,
      remark: proof.findings.find((one) => one.verdict === 'remark')?.note ?? '',
      depth: 'total-read',
      minutes: '',
      others: true,
    },
    read: ({ verdict, remark, depth, minutes, others }) =>
      readTyped<TypedSign, object>(
        {
          minutes: depth === 'loaded' && isTyped(minutes) && wholeTyped(minutes) === null && t('faults.minutes'),
        },
        () => ({
          proof: proof.id,
          verdict,
          remark: verdict === 'kept' ? '' : remark,
          depth,
          loadedMinutes: depth === 'loaded' ? wholeTyped(minutes) : null,
          ...(alike > 0 && verdict === 'kept' && { others }),
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
        label={t('sign.verdict')}
        className="w-52"
        options={SEVERITY.slice(SEVERITY.indexOf(proof.verdict)).map((value) => ({
          value,
          text: t(VERDICT_TEXTS[value]),
        }))}
      />
      {verdict !== 'kept' && <TextField name="remark" label={t('sign.remark')} className="flex-1 min-w-72" />}
      <ChoiceField
        name="depth"
        label={t('sign.level')}
        className="w-52"
        options={Object.entries(PROOF_DEPTH_WORDS).map(([value, text]) => ({ value, text: t(text) }))}
      />
      {depth === 'loaded' && (
        <TextField name="minutes" label={t('sign.load')} className="w-28" unit="min" inputMode="numeric" />
      )}
      {alike > 0 && verdict === 'kept' && (
        <Check
          checked={typing.form.watch('others')}
          onChange={(next) => typing.form.setValue('others', next)}
          className="min-h-11"
        >
          {t('sign.others', { alike })}
        </Check>
      )}
      <Send className="min-h-11">{t('sign.action')}</Send>
      <Button weight="quiet" disabled={typing.busy} onClick={() => void drop()}>
        {t('sign.discard')}
      </Button>
    </Form>
  );
}

/** Weeks later. */
function FollowUps({ proof }: { proof: ProofView }) {
  const t = useTranslations('proof');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const [note, setNote] = useState('');
  const tell = async (works: boolean) => {
    const { ok } = await save('POST', `/api/jobs/${job.id}/proof/follow-up`, { proof: proof.id, works, note });
    if (ok) setNote('');
  };
  return (
    <section aria-label={t('later.label')} className="grid gap-1">
      <h2 className="text-sm text-ink-2">{t('later.label')}</h2>
      <ul>
        {proof.followUps.map(({ id, works, note: said, by, on }) => (
          <li key={id}>
            {dayText(on)}: <strong>{works ? t('later.works') : t('later.problems')}</strong>
            {said !== '' && `, ${said}`} <span className="text-sm text-ink-2">{by}</span>
          </li>
        ))}
      </ul>
      <div className="flex flex-wrap items-end has-[[aria-invalid]]:items-start gap-3">
        <Field
          label={t('later.says')}
          className="w-80"
          value={note}
          onChange={(event) => setNote(event.target.value)}
        />
        <Button disabled={busy} onClick={() => void tell(true)}>
          {t('later.worksAction')}
        </Button>
        <Button disabled={busy} onClick={() => void tell(false)}>
          {t('later.problemsAction')}
        </Button>
      </div>
      <Fault sentence={sentence} />
    </section>
  );
}

/** The last proof: what was found, signed or to be signed; earlier ones below it. */
export function Findings() {
  const t = useTranslations('proof');
  const { job } = useJob();
  const { proofs, accepted } = job.work;
  const [last, ...earlier] = proofs;
  if (last === undefined) return null;
  const { tone, text } = WHOLE_VERDICTS[last.verdict];
  return (
    <section aria-label={t('label')} className="grid gap-3">
      <Notice tone={tone}>
        <p className="text-lg font-semibold">{t(text)}</p>
        <p>
          {t('from', {
            place: accepted?.option.place ?? '',
            value: last.from === 'report' ? t('fromReport') : t('fromScreen'),
            takenOn: dayText(last.takenOn),
            value2: last.remark !== '' ? `. ${last.remark}` : '',
          })}
        </p>
      </Notice>
      <TotalBar proof={last} />
      <Points proof={last} />
      {last.signedOn === null || last.depth === null ? (
        job.may.signProofs ? (
          <SignForm key={last.id} proof={last} />
        ) : (
          <p className="text-sm text-ink-2">{t('whoSigns')}</p>
        )
      ) : (
        <>
          <p>
            {t.rich('signed', {
              e0: () => <strong>{last.signedBy}</strong>,
              signedOn: dayText(last.signedOn),
              value: t(PROOF_DEPTH_WORDS[last.depth]),
              value2: last.loadedMinutes !== null ? t('signedFor', { loadedMinutes: last.loadedMinutes }) : '',
              value3: job.machine.modelId !== null && last.verdict !== 'broken' ? t('evidence') : '',
            })}
          </p>
          {last.verdict !== 'broken' && (
            <div className="flex flex-wrap gap-3">
              <a href={`/api/jobs/${job.id}/proof-sheet`} className={buttonLook('act')}>
                {t('sheet')}
              </a>
              {accepted?.token != null && (
                <a href={`/q/${accepted.token}/proof`} className={buttonLook('plain')} target="_blank" rel="noreferrer">
                  {t('customerPage')}
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
              {dayText(proof.takenOn)}: {t(VERDICT_TEXTS[proof.verdict])}
              {proof.signedBy !== null && t('signedBy', { signedBy: proof.signedBy })}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
