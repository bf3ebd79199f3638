'use client';
import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  arrayMove,
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { type FormEvent, useState } from 'react';
import type { OpeningStep } from '@/core/machine/models/model';
import { useAhead } from '../client/use-ahead';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Sheet } from '../kit/sheet';

interface Photo {
  id: number;
  caption: string;
}

const NO_STEP: OpeningStep = {
  text: '',
  tool: '',
  fasteners: null,
  lengthMm: null,
  unplug: '',
  caution: '',
  minutes: null,
  photo: null,
};

const numberOrNull = (text: string): number | null | undefined =>
  text.trim() === '' ? null : /^\d+(?:[.,]\d+)?$/.test(text.trim()) ? Number(text.replace(',', '.')) : undefined;

interface StepSheetProps {
  step: OpeningStep;
  isNew: boolean;
  photos: readonly Photo[];
  busy: boolean;
  sentence: string | null;
  onKeep: (step: OpeningStep) => void;
  onRemove: () => void;
  onClose: () => void;
}

function StepSheet({ step, isNew, photos, busy, sentence, onKeep, onRemove, onClose }: StepSheetProps) {
  const [typed, setTyped] = useState({
    text: step.text,
    tool: step.tool,
    fasteners: step.fasteners === null ? '' : String(step.fasteners),
    length: step.lengthMm === null ? '' : String(step.lengthMm),
    unplug: step.unplug,
    caution: step.caution,
    minutes: step.minutes === null ? '' : String(step.minutes),
    photo: step.photo == null ? '' : String(step.photo),
  });
  const [wrong, setWrong] = useState<string | null>(null);
  const set = (key: keyof typeof typed) => (event: { target: { value: string } }) =>
    setTyped({ ...typed, [key]: event.target.value });
  const keep = (event: FormEvent) => {
    event.preventDefault();
    const [fasteners, lengthMm, minutes] = [typed.fasteners, typed.length, typed.minutes].map(numberOrNull);
    const fault =
      typed.text.trim() === ''
        ? 'Enter what is done.'
        : fasteners === undefined || lengthMm === undefined || minutes === undefined
          ? 'Enter screws, length and minutes as numbers, or nothing.'
          : null;
    setWrong(fault);
    if (fault !== null || fasteners === undefined || lengthMm === undefined || minutes === undefined) return;
    onKeep({
      text: typed.text.trim(),
      tool: typed.tool.trim(),
      fasteners,
      lengthMm,
      minutes,
      unplug: typed.unplug.trim(),
      caution: typed.caution.trim(),
      photo: typed.photo === '' ? null : Number(typed.photo),
    });
  };
  return (
    <Sheet open title={isNew ? 'Add a step' : 'Step'} onClose={onClose}>
      <form className="grid grid-cols-6 gap-x-3 gap-y-2" onSubmit={keep} noValidate>
        <Field
          label="What is done"
          className="col-span-6"
          maxLength={300}
          value={typed.text}
          onChange={set('text')}
          autoFocus
        />
        <Field label="Tool" className="col-span-3" maxLength={60} value={typed.tool} onChange={set('tool')} />
        <Field label="Unplug" className="col-span-3" maxLength={80} value={typed.unplug} onChange={set('unplug')} />
        <Field
          label="Screws"
          className="col-span-2"
          inputMode="numeric"
          value={typed.fasteners}
          onChange={set('fasteners')}
        />
        <Field
          label="Length"
          unit="mm"
          className="col-span-2"
          inputMode="decimal"
          value={typed.length}
          onChange={set('length')}
        />
        <Field
          label="Takes"
          unit="min"
          className="col-span-2"
          inputMode="decimal"
          value={typed.minutes}
          onChange={set('minutes')}
        />
        <Field label="Caution" className="col-span-6" maxLength={200} value={typed.caution} onChange={set('caution')} />
        <Choice
          label="Picture"
          className="col-span-6"
          value={typed.photo}
          onChange={set('photo')}
          options={[
            { value: '', text: photos.length === 0 ? 'none: add photographs below first' : 'none' },
            ...photos.map(({ id, caption }) => ({ value: String(id), text: caption || `photograph ${id}` })),
          ]}
        />
        <div className="col-span-6">
          <Fault sentence={wrong ?? sentence} />
        </div>
        <div className="col-span-6 flex justify-end gap-2">
          {!isNew && (
            <span className="mr-auto">
              <Button weight="quiet" disabled={busy} onClick={onRemove}>
                Remove step
              </Button>
            </span>
          )}
          <Button onClick={onClose}>Cancel</Button>
          <Button weight="act" type="submit" disabled={busy}>
            {isNew ? 'Add' : 'Save'}
          </Button>
        </div>
      </form>
    </Sheet>
  );
}

function StepRow({
  id,
  nr,
  step,
  modelId,
  mayWrite,
  onPick,
}: {
  id: string;
  nr: number;
  step: OpeningStep;
  modelId: number;
  mayWrite: boolean;
  onPick: () => void;
}) {
  const { attributes, listeners, setNodeRef, transform, isDragging } = useSortable({ id, disabled: !mayWrite });
  const { text, tool, fasteners, lengthMm, unplug, caution, photo } = step;
  return (
    <li
      ref={setNodeRef}
      className={`grid grid-cols-[auto_minmax(0,1fr)_auto] gap-x-2 items-start text-sm py-1 ${isDragging ? 'bg-act-soft' : ''}`}
      style={transform === null ? undefined : { transform: `translateY(${Math.round(transform.y)}px)` }}
    >
      <span className="flex items-center gap-1 text-ink-2">
        {mayWrite && (
          <button
            type="button"
            className="px-1 min-h-6 cursor-grab touch-none"
            aria-label={`Move step ${nr}: ${text}`}
            {...attributes}
            {...listeners}
          >
            ⠿
          </button>
        )}
        {nr}.
      </span>
      <span>
        {text}
        <span className="text-ink-2">
          {tool !== '' && ` · ${tool}`}
          {fasteners !== null && ` · ${fasteners} ${fasteners === 1 ? 'screw' : 'screws'}`}
          {lengthMm !== null && ` of ${lengthMm} mm`}
          {unplug !== '' && ` · unplug: ${unplug}`}
        </span>
        {caution !== '' && <span className="text-mind"> △ {caution}</span>}
        {photo != null && (
          // biome-ignore lint/performance/noImgElement: it comes from our own database as it is
          <img
            src={`/api/models/${modelId}/photos/${photo}`}
            alt={`Step ${nr}`}
            loading="lazy"
            className="mt-1 h-20 border border-line object-cover"
          />
        )}
      </span>
      {mayWrite && (
        <Button weight="quiet" onClick={onPick} aria-label={`Edit step ${nr}`}>
          Edit
        </Button>
      )}
    </li>
  );
}

interface StepListProps {
  modelId: number;
  steps: readonly OpeningStep[];
  photos: readonly Photo[];
  mayWrite: boolean;
}

/** How a model is opened, step by step: dragged into order by hand or by keys, each with its picture. */
export function StepList({ modelId, steps: shown, photos, mayWrite }: StepListProps) {
  const { busy, sentence, save } = useSave();
  const [steps, saved] = useAhead(shown);
  const [editing, setEditing] = useState<number | 'new' | null>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const put = async (opening: readonly OpeningStep[]) => {
    const { ok } = await save('PATCH', `/api/models/${modelId}`, { opening });
    if (ok) saved(opening);
    return ok;
  };
  const ids = steps.map((_, nr) => `step-${nr}`);
  const moved = ({ active, over }: DragEndEvent) => {
    if (over === null || active.id === over.id) return;
    void put(arrayMove([...steps], ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
  };
  return (
    <>
      <DndContext id={`steps-${modelId}`} sensors={sensors} collisionDetection={closestCenter} onDragEnd={moved}>
        <SortableContext items={ids} strategy={verticalListSortingStrategy}>
          <ol className="grid mt-1">
            {steps.map((step, at) => (
              <StepRow
                key={ids[at]}
                id={ids[at] ?? ''}
                nr={at + 1}
                step={step}
                modelId={modelId}
                mayWrite={mayWrite}
                onPick={() => setEditing(at)}
              />
            ))}
          </ol>
        </SortableContext>
      </DndContext>
      {mayWrite && (
        <Button weight="quiet" onClick={() => setEditing('new')}>
          Add a step
        </Button>
      )}
      <Fault sentence={editing === null ? sentence : null} />
      {editing !== null && (
        <StepSheet
          step={(editing === 'new' ? null : steps[editing]) ?? NO_STEP}
          isNew={editing === 'new'}
          photos={photos}
          busy={busy}
          sentence={sentence}
          onClose={() => setEditing(null)}
          onRemove={async () => {
            if (await put(steps.filter((_, at) => at !== editing))) setEditing(null);
          }}
          onKeep={async (step) => {
            const next = editing === 'new' ? [...steps, step] : steps.map((one, at) => (at === editing ? step : one));
            if (await put(next)) setEditing(null);
          }}
        />
      )}
    </>
  );
}
