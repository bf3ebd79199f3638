'use client';
import { useId } from 'react';
import { suggestTarget } from '@/core/machine/suggest-target';
import { capacityText } from '@/core/memory/capacity';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field, INPUT_LOOK } from '../kit/field';
import { Notice } from '../kit/notice';
import { ClashChoice } from './clash-choice';
import { BudgetField, capacity, NeedField, plain, sizeText, useIntakeField } from './intake-fields';
import { usePut } from './use-put';

const FULL = [
  { value: '', text: 'not asked' },
  { value: 'memory', text: 'the memory' },
  { value: 'storage', text: 'the storage' },
  { value: 'both', text: 'both' },
  { value: 'neither', text: 'neither' },
];

const COVER = [
  { value: '', text: 'not asked' },
  { value: 'none', text: 'neither' },
  { value: 'warranty', text: 'under warranty' },
  { value: 'support', text: 'a support contract' },
];

/** What it is for, in their words; each use is a switch. */
function Uses() {
  const { job } = useJob();
  const putting = usePut();
  const { put } = putting;
  const { uses } = job.wants;
  const flip = (use: string) => put({ uses: uses.includes(use) ? uses.filter((one) => one !== use) : [...uses, use] });
  return (
    <fieldset>
      <legend className="text-sm font-medium text-ink-2 mb-1">What is it for?</legend>
      <div className="flex flex-wrap gap-1.5">
        {job.needs.uses.map(({ use }) => {
          const on = uses.includes(use);
          return (
            <button
              key={use}
              type="button"
              aria-pressed={on}
              onClick={() => void flip(use)}
              className={`min-h-7 px-2 text-sm rounded-notch border cursor-pointer ${on ? 'bg-board text-board-ink border-board font-semibold' : 'bg-sheet border-edge hover:bg-sunk'}`}
            >
              <span aria-hidden="true">{on ? '✓ ' : ''}</span>
              {use}
            </button>
          );
        })}
      </div>
      <ClashChoice putting={putting} />
      <Fault sentence={putting.sentence} />
    </fieldset>
  );
}

/** What the wants suggest, why, and the way to take it. */
function Suggested({ onTake }: { onTake: (text: string) => void }) {
  const { job } = useJob();
  const today = job.slots.reduce((sum, slot) => sum + (slot.module?.capacityMiB ?? 0), 0);
  const { targetMiB, reasons, cautions } = suggestTarget(job.wants, job.needs, today);
  return (
    <>
      {targetMiB !== null && (
        <p className="text-sm flex flex-wrap items-baseline gap-x-2">
          <span>
            Suggests <strong>{capacityText(targetMiB)}</strong>: {reasons.join('; ')}.
          </span>
          {job.needMiB === targetMiB ? (
            <span className="text-good font-semibold">✓ taken</span>
          ) : (
            <Button weight="quiet" onClick={() => onTake(capacityText(targetMiB))}>
              Take {capacityText(targetMiB)}
            </Button>
          )}
        </p>
      )}
      {cautions.map((caution) => (
        <Notice key={caution} tone="mind">
          <span className="text-sm">{caution}</span>
        </Notice>
      ))}
    </>
  );
}

/** What the customer wants: what for, what is full, by when, for how much; it becomes a target that stays editable. */
export function WishFields() {
  const { job } = useJob();
  const id = useId();
  const putting = usePut();
  const { put } = putting;
  const complaint = useIntakeField('complaint', job.complaint, plain);
  const { inUseMiB, full } = job.wants;
  const inUse = useIntakeField('inUseMiB', sizeText(inUseMiB), capacity, sizeText);
  return (
    <fieldset className="grid gap-2.5">
      <legend className="text-base font-semibold wide mb-1">What do they want?</legend>
      <div>
        <label htmlFor={id} className="block text-sm font-medium text-ink-2 mb-0.5">
          In their words
        </label>
        <textarea id={id} rows={2} {...complaint.input} className={INPUT_LOOK} />
        <Fault sentence={complaint.error} />
        <ClashChoice putting={complaint.putting} />
      </div>
      <Uses />
      <div className="grid grid-cols-2 gap-2.5">
        <Choice
          label="What is full?"
          value={full ?? ''}
          options={FULL}
          onChange={(event) => void put({ fullPart: event.target.value || null })}
        />
        <Field label="Memory in use" placeholder="not noted" {...inUse.input} error={inUse.error} />
      </div>
      <ClashChoice putting={inUse.putting} text={(value) => sizeText(value) || 'nothing'} />
      <Suggested
        onTake={(text) => {
          void put({ needMiB: capacityValue(text) });
        }}
      />
      <div className="grid grid-cols-2 gap-2.5">
        <NeedField key={`need ${job.needMiB}`} chips />
        <BudgetField hint />
        <Field
          label="Needed by"
          type="date"
          defaultValue={job.neededBy ?? ''}
          onBlur={(event) => {
            if (event.target.value !== (job.neededBy ?? '')) void put({ neededBy: event.target.value || null });
          }}
        />
        <Choice
          label="Warranty or contract"
          value={job.cover ?? ''}
          options={COVER}
          onChange={(event) => void put({ cover: event.target.value || null })}
        />
      </div>
      <ClashChoice putting={putting} />
      <Fault sentence={putting.sentence} />
    </fieldset>
  );
}

const capacityValue = (text: string): number | null => {
  const parsed = capacity(text);
  return parsed.ok && typeof parsed.value === 'number' ? parsed.value : null;
};
