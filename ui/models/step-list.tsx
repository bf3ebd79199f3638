'use client';
import {
  type Announcements,
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
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { OpeningStep } from '@/core/machine/models/model';
import { useAhead } from '../client/use-ahead';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { type StepPhoto, StepSheet } from './step-sheet';

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
  const t = useTranslations('models');
  const { attributes, listeners, setNodeRef, transform, isDragging } = useSortable({
    id,
    disabled: !mayWrite,
    attributes: { roleDescription: t('steps.sortable') },
  });
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
            aria-label={t('steps.move', { nr, text })}
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
          {fasteners !== null && t('steps.screwCount', { fasteners })}
          {lengthMm !== null && t('steps.of', { lengthMm })}
          {unplug !== '' && t('steps.unplugs', { unplug })}
        </span>
        {caution !== '' && <span className="text-mind"> △ {caution}</span>}
        {photo != null && (
          // biome-ignore lint/performance/noImgElement: it comes from our own database as it is
          <img
            src={`/api/models/${modelId}/photos/${photo}`}
            alt={t('steps.step', { nr })}
            loading="lazy"
            className="mt-1 h-20 border border-line object-cover"
          />
        )}
      </span>
      {mayWrite && (
        <Button weight="quiet" onClick={onPick} aria-label={t('steps.editOne', { nr })}>
          {t('edit.action')}
        </Button>
      )}
    </li>
  );
}

interface StepListProps {
  modelId: number;
  steps: readonly OpeningStep[];
  photos: readonly StepPhoto[];
  mayWrite: boolean;
}

/** How a model is opened, step by step: dragged into order by hand or by keys, each with its picture. */
export function StepList({ modelId, steps: shown, photos, mayWrite }: StepListProps) {
  const t = useTranslations('models');
  const { sentence, save } = useSave();
  const [steps, saved] = useAhead(shown);
  const [editing, setEditing] = useState<number | 'new' | null>(null);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 5 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const put = async (opening: readonly OpeningStep[]) => {
    const result = await save('PATCH', `/api/models/${modelId}`, { opening });
    if (result.ok) saved(opening);
    return result;
  };
  const putAndClose = async (opening: readonly OpeningStep[]) => {
    const result = await put(opening);
    if (result.ok) setEditing(null);
    return result;
  };
  const ids = steps.map((_, nr) => `step-${nr}`);
  const nrOf = (id: string | number): number => ids.indexOf(String(id)) + 1;
  const announcements: Announcements = {
    onDragStart: ({ active }) => t('steps.dragStart', { nr: nrOf(active.id), steps: ids.length }),
    onDragOver: ({ active, over }) =>
      over === null ? undefined : t('steps.dragOver', { nr: nrOf(active.id), to: nrOf(over.id), steps: ids.length }),
    onDragEnd: ({ active, over }) =>
      over === null ? undefined : t('steps.dragEnd', { nr: nrOf(active.id), to: nrOf(over.id) }),
    onDragCancel: ({ active }) => t('steps.dragCancel', { nr: nrOf(active.id) }),
  };
  const moved = ({ active, over }: DragEndEvent) => {
    if (over === null || active.id === over.id) return;
    void put(arrayMove([...steps], ids.indexOf(String(active.id)), ids.indexOf(String(over.id))));
  };
  return (
    <>
      <DndContext
        id={`steps-${modelId}`}
        sensors={sensors}
        collisionDetection={closestCenter}
        onDragEnd={moved}
        accessibility={{ announcements, screenReaderInstructions: { draggable: t('steps.dragHow') } }}
      >
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
          {t('steps.add')}
        </Button>
      )}
      <Fault sentence={editing === null ? sentence : null} />
      {editing !== null && (
        <StepSheet
          step={(editing === 'new' ? null : steps[editing]) ?? NO_STEP}
          isNew={editing === 'new'}
          photos={photos}
          onClose={() => setEditing(null)}
          onRemove={() => putAndClose(steps.filter((_, at) => at !== editing))}
          onKeep={(step) =>
            putAndClose(editing === 'new' ? [...steps, step] : steps.map((one, at) => (at === editing ? step : one)))
          }
        />
      )}
    </>
  );
}
