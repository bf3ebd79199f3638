'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { Conflict, Settlement } from '@/core/machine/limits/conflicts';
import { conflictsOf } from '@/core/machine/limits/conflicts';
import type { LimitName } from '@/core/machine/limits/limit';
import type { StaffWords } from '@/words/staff-words';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Check } from '../kit/check';
import { Fault } from '../kit/fault';
import { INPUT_LOOK } from '../kit/field';
import { capacityText, dayText } from '../words/amounts';
import { decidedOf } from './decided-of';
import { LIMIT_ROWS, limitText } from './limit-words';
import { type Consequence, consequenceKey, useConsequences } from './use-consequences';

const rowOf = (limit: LimitName) => LIMIT_ROWS.find(({ name }) => name === limit);

const valueText = (t: StaffWords<'limits'>, limit: LimitName, value: unknown): string =>
  limitText(t, rowOf(limit)?.sort ?? 'words', value);

const HEADS = {
  sources: 'conflict.title',
  evidence: 'conflict.seenMore',
  today: 'conflict.hasMore',
} as const satisfies Record<Conflict['why'], string>;

function settlementText(t: StaffWords<'limits'>, { sets }: Settlement): string {
  const [first, ...more] = sets;
  if (first === undefined) return '';
  const rest = more.map(({ limit, value }) => t('conflict.perModule', { limit: valueText(t, limit, value) }));
  return [valueText(t, first.limit, first.value), ...rest].join(', ');
}

function consequenceText(t: StaffWords<'limits'>, consequence: Consequence | undefined, working: boolean): string {
  if (consequence === undefined) return working ? t('conflict.counting') : '';
  const { plans, offBook, largestMiB } = consequence;
  if (plans === 0) return t('conflict.none');
  const within = plans - offBook;
  const counts = offBook === 0 ? t('conflict.plans', { plans }) : t('conflict.offBook', { within, offBook });
  return largestMiB === null ? counts : t('conflict.upTo', { counts, largestMiB: capacityText(largestMiB) });
}

interface OneProps {
  conflict: Conflict;
  at: number;
  known: ReadonlyMap<string, Consequence>;
  working: boolean;
}

/** One conflict: what each way out leads to, why one is taken, and whether the model is to know it. */
function One({ conflict, at, known, working }: OneProps) {
  const t = useTranslations('limits');
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const [why, setWhy] = useState('');
  const [intoModel, setIntoModel] = useState(false);
  const { limit, settlements, holds, decided } = conflict;
  const decide = async ({ sets }: Settlement) => {
    const result = await save('PUT', `/api/jobs/${job.id}/limits`, {
      decisions: sets.map((set) => ({ ...set, seen: decidedOf(job.claims, set.limit) })),
      why,
      intoModel,
    });
    if (result.ok) setWhy('');
  };
  const takeBack = () =>
    save('PUT', `/api/jobs/${job.id}/limits`, {
      decisions: (settlements[0]?.sets ?? []).map((one) => ({
        limit: one.limit,
        value: null,
        seen: decidedOf(job.claims, one.limit),
      })),
    });
  const row = rowOf(limit);
  const head = t(HEADS[conflict.why], { limit: row === undefined ? limit : t(row.text) });
  return (
    <li className="border-l-4 border-mind bg-sheet px-3 py-2" aria-label={head}>
      <Head head={head} decided={decided} />
      <ul className="grid gap-1.5 mt-1.5 md:grid-cols-2">
        {settlements.map((one, index) => (
          <WayOut
            key={settlementText(t, one)}
            one={one}
            holds={holds === index}
            isDecided={decided !== null}
            consequence={consequenceText(t, known.get(consequenceKey(at, index)), working)}
            onTake={job.may.decideLimits && (holds !== index || decided === null) ? () => void decide(one) : null}
            busy={busy}
          />
        ))}
      </ul>
      {job.may.decideLimits && (
        <div className="flex flex-wrap items-center gap-x-4 gap-y-1 mt-1.5">
          {decided === null ? (
            <>
              <label className="flex-1 min-w-56 flex items-center gap-2 text-sm text-ink-2">
                {t('reason')}
                <input
                  className={`${INPUT_LOOK} flex-1`}
                  value={why}
                  maxLength={500}
                  placeholder={t('conflict.kept')}
                  onChange={(event) => setWhy(event.target.value)}
                />
              </label>
              {job.machine.modelId !== null && (
                <Check checked={intoModel} onChange={setIntoModel} className="min-h-9">
                  {t('everyModel', { modelName: job.machine.modelName ?? '' })}
                </Check>
              )}
            </>
          ) : (
            <Button weight="quiet" disabled={busy} onClick={takeBack}>
              {t('undoDecision')}
            </Button>
          )}
        </div>
      )}
      <Fault sentence={sentence} />
    </li>
  );
}

/** What cannot all be true of this machine, each a decision with what it leads to. */
export function ConflictList() {
  const t = useTranslations('limits');
  const { job } = useJob();
  const conflicts = conflictsOf(job.claims, job.limits, job.slots);
  const { known, working } = useConsequences(conflicts, job.claims, job.planCase);
  if (conflicts.length === 0) return null;
  return (
    <ul aria-label={t('conflict.label')} className="grid gap-2">
      {conflicts.map((conflict, at) => (
        <One key={`${conflict.why} ${conflict.limit}`} conflict={conflict} at={at} known={known} working={working} />
      ))}
    </ul>
  );
}

interface WayOutProps {
  one: Settlement;
  holds: boolean;
  isDecided: boolean;
  consequence: string;
  onTake: (() => void) | null;
  busy: boolean;
}

/** A way out of a conflict, with what it leads to. */
function WayOut({ one, holds, isDecided, consequence, onTake, busy }: WayOutProps) {
  const t = useTranslations('limits');
  return (
    <li
      className={`grid content-between gap-1 px-2.5 py-1.5 border ${holds ? 'border-edge bg-ground' : 'border-line'}`}
    >
      <span className="text-sm">
        <span className="font-semibold text-base">{settlementText(t, one)}</span>
        {one.offBook && <span className="text-mind">{t('offBook')}</span>}
        <span className="block text-ink-2">{one.by.join(' · ')}</span>
        <span className="block min-h-5">{consequence}</span>
      </span>
      <span className="flex items-center justify-between gap-2 min-h-9">
        <span className="text-sm font-semibold text-good">
          {holds && (!isDecided ? t('conflict.holds') : t('conflict.applies'))}
        </span>
        {onTake !== null && (
          <Button disabled={busy} onClick={onTake} aria-label={t('conflict.takeOne', { one: settlementText(t, one) })}>
            {t('use')}
          </Button>
        )}
      </span>
    </li>
  );
}

/** What cannot all be true, and who decided on it. */
function Head({ head, decided }: { head: string; decided: Conflict['decided'] }) {
  const t = useTranslations('limits');
  return (
    <p className="font-semibold">
      <span aria-hidden="true" className="text-mind">
        {decided === null ? '△' : '✓'}
      </span>{' '}
      {head}
      {decided !== null && (
        <span className="font-normal text-ink-2 text-sm">
          {t('conflict.decided', {
            name: decided.name,
            value: decided.on !== undefined ? t('conflict.on', { on: dayText(decided.on) }) : '',
            value2: decided.note !== undefined ? `: “${decided.note}”` : '',
          })}
        </span>
      )}
    </p>
  );
}
