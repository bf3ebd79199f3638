'use client';
import { useMemo, useState } from 'react';
import { benchState, type Tick } from '@/core/fitting/bench-state';
import type { FittingView } from '@/service/job/bench/view';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';

/** The work on the bench as it stands, and how it goes on. */
export function useBench(fitting: FittingView) {
  const { job } = useJob();
  const { sentence, save } = useSave();
  // What was pressed and is on its way: a second press does not send it twice.
  const [sending, setSending] = useState<ReadonlySet<string>>(new Set());
  const option = job.work.accepted?.option;
  const state = useMemo(
    () => benchState(fitting.steps, fitting.ticks, option?.before ?? [], option?.after ?? []),
    [fitting, option],
  );
  const ticks = useMemo(() => new Map(fitting.ticks.map((tick) => [tick.step, tick])), [fitting]);
  const send = async (step: string, body: object) => {
    if (sending.has(step)) return false;
    setSending((before) => new Set(before).add(step));
    const { ok } = await save('POST', `/api/jobs/${job.id}/fitting/${fitting.id}`, { step, ...body });
    setSending((before) => new Set([...before].filter((one) => one !== step)));
    return ok;
  };
  return {
    state,
    ticks: ticks as ReadonlyMap<string, Tick>,
    sentence,
    sending,
    tick: (step: string) => send(step, { what: 'done' }),
    undo: (step: string) => send(step, { what: 'undo' }),
    skip: (step: string, reason: string) => send(step, { what: 'skip', reason }),
    find: (step: string, kind: string, note: string) => send(step, { what: 'find', kind, note }),
    unfind: (step: string, id: number) => send(step, { what: 'unfind', id }),
  };
}
export type Bench = ReturnType<typeof useBench>;
