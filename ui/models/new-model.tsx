'use client';
import { useRouter } from 'next/navigation';
import { type FormEvent, useState } from 'react';
import { TEMPLATE_NAMES, TEMPLATES, type TemplateName } from '@/core/machine/models/templates';
import type { Generation } from '@/core/memory/generation';
import { parseCapacity } from '@/core/memory/parse-capacity';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Sheet } from '../kit/sheet';
import { type PastedSpecification, SpecificationPicker, takenClaims } from '../limits/specification-picker';
import { ModelPicker } from '../offers/model-picker';
import type { NamedModel } from '../offers/offer-typed';
import { SlotGlyphs } from './slot-glyphs';

const SAID_BY = [
  { value: 'maker-page', text: 'the maker’s page' },
  { value: 'board-manual', text: 'the board’s manual' },
  { value: 'lid-label', text: 'the label in the lid' },
  { value: 'technician', text: 'I know it' },
] as const;

function NewModelSheet({ onClose }: { onClose: () => void }) {
  const router = useRouter();
  const { busy, sentence, save } = useSave();
  const [kind, setKind] = useState<'template' | 'copy' | 'specification'>('template');
  const [template, setTemplate] = useState<TemplateName>('laptop');
  const [generation, setGeneration] = useState<Generation>('DDR4');
  const [sister, setSister] = useState<readonly NamedModel[]>([]);
  const [typed, setTyped] = useState({ maker: '', name: '', year: '', module: '', total: '', saidBy: 'maker-page' });
  const [pasted, setPasted] = useState<PastedSpecification | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const set = (key: keyof typeof typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [key]: event.target.value });
  const shape = TEMPLATES[template];
  const generations: readonly Generation[] = shape.generations;
  const takeTemplate = (next: TemplateName) => {
    setTemplate(next);
    const offered: readonly Generation[] = TEMPLATES[next].generations;
    if (!offered.includes(generation)) setGeneration(offered.at(-1) ?? 'DDR4');
  };
  /** What a specification calls the machine stands in the fields where nobody typed anything. */
  const takePasted = (next: PastedSpecification | null) => {
    setPasted(next);
    const name = next?.reading.name ?? null;
    if (name === null) return;
    setTyped((before) => ({
      ...before,
      maker: before.maker === '' ? (name.maker ?? '') : before.maker,
      name: before.name === '' ? name.model : before.name,
    }));
  };
  const keep = async (event: FormEvent) => {
    event.preventDefault();
    const size = (text: string): number | null | undefined =>
      text.trim() === '' ? null : (parseCapacity(text) ?? undefined);
    const [moduleMiB, totalMiB] = [size(typed.module), size(typed.total)];
    const [first] = sister;
    const fault =
      typed.maker.trim() === ''
        ? 'Enter the maker.'
        : typed.name.trim() === ''
          ? 'Enter the model’s name.'
          : !/^\d{4}$/.test(typed.year.trim())
            ? 'Enter the year it came out, such as 2019.'
            : moduleMiB === undefined || totalMiB === undefined
              ? 'Enter a size such as 16 GB, or nothing.'
              : kind === 'copy' && first === undefined
                ? 'Choose the model to copy.'
                : kind === 'specification' && pasted === null
                  ? 'Paste the specification.'
                  : null;
    setWrong(fault);
    if (fault !== null) return;
    const saidBy = SAID_BY.find(({ value }) => value === typed.saidBy) ?? SAID_BY[0];
    const result = await save<{ id: number }>('POST', '/api/models', {
      maker: typed.maker.trim(),
      name: typed.name.trim(),
      yearFrom: Number(typed.year),
      ...(kind === 'specification' && pasted !== null
        ? { from: { kind, text: pasted.text }, claims: takenClaims(pasted), said: pasted.source }
        : {
            from: kind === 'template' ? { kind, template, generation } : { kind, modelId: first?.id },
            moduleMiB,
            totalMiB,
            said: { kind: saidBy.value, name: saidBy.text },
          }),
    });
    if (result.ok) router.push(`/models/${result.value.id}`);
  };
  return (
    <Sheet
      open
      wide
      title="Add a model"
      description="Start from a usual board, a sister or a specification, then correct slots and limits on its page. A machine on a job is added at its Intake."
      onClose={onClose}
    >
      <form className="grid gap-3" onSubmit={keep} noValidate>
        <div className="grid grid-cols-6 gap-x-3 gap-y-2 items-start">
          <Field
            label="Maker"
            className="col-span-2"
            maxLength={80}
            value={typed.maker}
            onChange={set('maker')}
            autoFocus
          />
          <Field label="Model" className="col-span-3" maxLength={120} value={typed.name} onChange={set('name')} />
          <Field label="Since" inputMode="numeric" maxLength={4} value={typed.year} onChange={set('year')} />
          <Choice
            label="Start from"
            className="col-span-2"
            value={kind}
            onChange={(event) => setKind(event.target.value as typeof kind)}
            options={[
              { value: 'template', text: 'a usual board' },
              { value: 'copy', text: 'a copy of a sister' },
              { value: 'specification', text: 'a specification' },
            ]}
          />
          {kind === 'specification' ? (
            <div className="col-span-6">
              <SpecificationPicker pasted={pasted} onChange={takePasted} />
            </div>
          ) : kind === 'template' ? (
            <>
              <Choice
                label="Board"
                className="col-span-3"
                value={template}
                onChange={(event) => takeTemplate(event.target.value as TemplateName)}
                options={TEMPLATE_NAMES.map((value) => ({ value, text: TEMPLATES[value].text }))}
              />
              <Choice
                label="Generation"
                value={generation}
                onChange={(event) => setGeneration(event.target.value as Generation)}
                options={generations.map((one) => ({ value: one, text: one }))}
              />
              <div className="col-span-6 flex items-center gap-3 text-sm text-ink-2">
                <SlotGlyphs sockets={shape.channels * shape.perChannel} soldered={0} />
                {shape.channels * shape.perChannel} slots in {shape.channels}{' '}
                {shape.channels === 1 ? 'channel' : 'channels'}, {shape.form}. Marked as usual, not as the maker’s word.
              </div>
            </>
          ) : (
            <div className="col-span-4">
              <ModelPicker label="Sister" models={sister} onChange={(next) => setSister(next.slice(-1))} />
            </div>
          )}
          {kind !== 'specification' && (
            <>
              <Field
                label="Largest module"
                className="col-span-2"
                placeholder="not known"
                value={typed.module}
                onChange={set('module')}
              />
              <Field
                label="Maximum total"
                className="col-span-2"
                placeholder="not known"
                value={typed.total}
                onChange={set('total')}
              />
              <Choice
                label="Who says that"
                className="col-span-2"
                value={typed.saidBy}
                onChange={set('saidBy')}
                options={[...SAID_BY]}
              />
            </>
          )}
        </div>
        <Fault sentence={wrong ?? sentence} />
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button weight="act" type="submit" disabled={busy}>
            Add
          </Button>
        </div>
      </form>
    </Sheet>
  );
}

/** Makes a model of a usual board, or as a copy of a sister. */
export function NewModel() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button weight="act" onClick={() => setOpen(true)}>
        Add a model
      </Button>
      {open && <NewModelSheet onClose={() => setOpen(false)} />}
    </>
  );
}
