'use client';
import { useState } from 'react';
import { DEPTHS, OUTCOMES } from '@/core/machine/limits/evidence';
import { GENERATIONS } from '@/core/memory/generation';
import { BUFFERINGS } from '@/core/memory/module';
import { parseCapacity } from '@/core/memory/parse-capacity';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Sheet } from '../kit/sheet';
import { DEPTH_WORDS, OUTCOME_WORDS } from './trial-words';

interface TrialEditorProps {
  model: { id: number; name: string };
  start: { generation: string; slots: readonly string[]; cpu: string };
  onClose: () => void;
}

const EMPTY = {
  size: '',
  modules: '1',
  total: '',
  rate: '',
  slots: '',
  firmware: '',
  note: '',
  buffering: 'unbuffered',
  ecc: 'no',
  outcome: 'works',
  depth: 'total-read',
};

type Typed = typeof EMPTY & { generation: string; cpu: string; on: string };

const whole = (text: string): number | null => (/^\d{1,5}$/.test(text.trim()) ? Number(text) : null);

/** What was typed as a trial, or what is wrong with it. */
export function trialOf(typed: Typed): { ok: true; trial: object } | { ok: false; sentence: string } {
  const moduleMiB = parseCapacity(typed.size);
  const modules = whole(typed.modules);
  if (moduleMiB === null) return { ok: false, sentence: 'Type the size of one module, such as 16 GB.' };
  if (modules === null || modules < 1) return { ok: false, sentence: 'Type how many modules were tried.' };
  const totalMiB = typed.total.trim() === '' ? moduleMiB * modules : parseCapacity(typed.total);
  if (totalMiB === null) return { ok: false, sentence: 'Type the total as a size, such as 32 GB.' };
  const rateMTs = typed.rate.trim() === '' ? null : whole(typed.rate);
  if (typed.rate.trim() !== '' && rateMTs === null)
    return { ok: false, sentence: 'Type the rate in MT/s, such as 2666.' };
  const { generation, firmware, cpu, note, outcome, depth, buffering, on } = typed;
  return {
    ok: true,
    trial: {
      moduleMiB,
      modules,
      totalMiB,
      rateMTs,
      generation,
      buffering,
      ecc: typed.ecc === 'yes',
      slots: typed.slots.split(/[\s,]+/).filter(Boolean),
      firmware: firmware.trim(),
      cpu: cpu.trim(),
      note: note.trim(),
      outcome,
      depth,
      on,
    },
  };
}

const today = (): string => new Date().toISOString().slice(0, 10);

/** The sheet on which a trial is recorded. */
export function TrialEditor({ model, start, onClose }: TrialEditorProps) {
  const { busy, sentence, save } = useSave();
  const [typed, setTyped] = useState<Typed>({
    ...EMPTY,
    generation: start.generation,
    cpu: start.cpu,
    on: today(),
  });
  const [wrong, setWrong] = useState<string | null>(null);
  const set = (field: keyof Typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [field]: event.target.value });
  const submit = async () => {
    const made = trialOf(typed);
    setWrong(made.ok ? null : made.sentence);
    if (!made.ok) return;
    const result = await save('POST', `/api/models/${model.id}/trials`, made.trial);
    if (result.ok) onClose();
  };
  const worded = <T extends string>(values: readonly T[], words: Record<T, string>) =>
    values.map((value) => ({ value, text: words[value] }));
  const plain = (values: readonly string[]) => values.map((value) => ({ value, text: value }));
  return (
    <Sheet
      open
      wide
      title="Record a trial"
      description={`What was tried in a ${model.name}, as it was seen. It lifts a limit only from “total read” on.`}
      onClose={onClose}
    >
      <form
        className="grid grid-cols-6 gap-x-3 gap-y-2"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <Field
          label="Modules"
          inputMode="numeric"
          className="col-span-1"
          value={typed.modules}
          onChange={set('modules')}
          autoFocus
        />
        <Field label="of" className="col-span-2" placeholder="16 GB" value={typed.size} onChange={set('size')} />
        <Field
          label="Total in the machine"
          className="col-span-3"
          placeholder="as the modules add up"
          value={typed.total}
          onChange={set('total')}
        />
        <Choice
          label="Generation"
          className="col-span-2"
          value={typed.generation}
          onChange={set('generation')}
          options={plain(GENERATIONS)}
        />
        <Choice
          label="Buffering"
          className="col-span-2"
          value={typed.buffering}
          onChange={set('buffering')}
          options={plain(BUFFERINGS)}
        />
        <Choice
          label="ECC"
          className="col-span-1"
          value={typed.ecc}
          onChange={set('ecc')}
          options={plain(['no', 'yes'])}
        />
        <Field
          label="Rate"
          className="col-span-1"
          inputMode="numeric"
          value={typed.rate}
          onChange={set('rate')}
          placeholder="MT/s"
        />
        <Choice
          label="What happened"
          className="col-span-3"
          value={typed.outcome}
          onChange={set('outcome')}
          options={worded(OUTCOMES, OUTCOME_WORDS)}
        />
        <Choice
          label="How deep it was tried"
          className="col-span-3"
          value={typed.depth}
          onChange={set('depth')}
          options={worded(DEPTHS, DEPTH_WORDS)}
        />
        <Field
          label="In slots"
          className="col-span-2"
          placeholder={start.slots.slice(0, 2).join(' ')}
          value={typed.slots}
          onChange={set('slots')}
        />
        <Field label="Firmware" className="col-span-2" value={typed.firmware} onChange={set('firmware')} />
        <Field label="CPU" className="col-span-2" value={typed.cpu} onChange={set('cpu')} />
        <Field label="Day" type="date" className="col-span-2" value={typed.on} onChange={set('on')} />
        <Field label="Note" className="col-span-4" value={typed.note} maxLength={500} onChange={set('note')} />
        <div className="col-span-6">
          <Fault sentence={wrong ?? sentence} />
        </div>
        <div className="col-span-6 flex justify-end gap-2">
          <Button onClick={onClose}>Leave it</Button>
          <Button weight="act" type="submit" disabled={busy}>
            Record it
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
