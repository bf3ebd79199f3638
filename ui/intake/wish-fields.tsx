'use client';
import { useId } from 'react';
import { useTranslations } from '#translations';
import { suggestTarget } from '@/core/machine/suggest-target';
import { parseCapacity } from '@/core/memory/parse-capacity';
import { worded } from '@/ui/words/worded';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field, INPUT_LOOK } from '../kit/field';
import { Notice } from '../kit/notice';
import { capacityText } from '../words/amounts';
import { ClashChoice } from './clash-choice';
import { FittingChoice } from './fitting-choice';
import { BudgetField, capacity, MakerAsksFields, NeedField, plain, sizeText, useIntakeField } from './intake-fields';
import { cautionText, targetReasonText } from './target-words';
import { usePut } from './use-put';

const FULL = [
  { value: '', text: 'notAsked' },
  { value: 'memory', text: 'wish.memory' },
  { value: 'storage', text: 'wish.storage' },
  { value: 'both', text: 'wish.both' },
  { value: 'neither', text: 'wish.neither' },
] as const;

const COVER = [
  { value: '', text: 'notAsked' },
  { value: 'none', text: 'wish.noCover' },
  { value: 'warranty', text: 'wish.warranty' },
  { value: 'support', text: 'wish.contract' },
] as const;

/** What it is for, in their words; each use is a switch. */
function Uses() {
  const t = useTranslations('intake');
  const { job } = useJob();
  const putting = usePut();
  const { put } = putting;
  const { uses } = job.wants;
  const flip = (use: string) => put({ uses: uses.includes(use) ? uses.filter((one) => one !== use) : [...uses, use] });
  return (
    <fieldset>
      <legend className="text-sm font-medium text-ink-2 mb-1">{t('wish.use')}</legend>
      <div className="flex flex-wrap gap-1.5">
        {job.needs.uses.map(({ use, text = use }) => {
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
              {text}
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
  const t = useTranslations('intake');
  const { job } = useJob();
  const today = job.slots.reduce((sum, slot) => sum + (slot.module?.capacityMiB ?? 0), 0);
  const { targetMiB, reasons, cautions } = suggestTarget(job.wants, job.needs, today);
  return (
    <>
      {targetMiB !== null && (
        <p className="text-sm flex flex-wrap items-baseline gap-x-2">
          <span>
            {t.rich('wish.suggests', {
              e0: () => <strong>{capacityText(targetMiB)}</strong>,
              value: reasons.map((reason) => targetReasonText(t, reason)).join('; '),
            })}
          </span>
          {job.needMiB === targetMiB ? (
            <span className="text-good font-semibold">{t('wish.taken')}</span>
          ) : (
            <Button weight="quiet" onClick={() => onTake(capacityText(targetMiB))}>
              {t('wish.take', { targetMiB: capacityText(targetMiB) })}
            </Button>
          )}
        </p>
      )}
      {cautions.map((one) => (
        <Notice key={one.caution} tone="mind">
          <span className="text-sm">{cautionText(t, one)}</span>
        </Notice>
      ))}
    </>
  );
}

/** What the customer wants: what for, what is full, by when, for how much; it becomes a target that stays editable. */
export function WishFields() {
  const t = useTranslations('intake');
  const { job } = useJob();
  const id = useId();
  const putting = usePut();
  const { put } = putting;
  const complaint = useIntakeField('complaint', job.complaint, plain);
  const { inUseMiB, full } = job.wants;
  const inUse = useIntakeField('inUseMiB', sizeText(inUseMiB), (text) => capacity(t, text), sizeText);
  return (
    <fieldset className="grid gap-2.5">
      <legend className="text-base font-semibold wide mb-1">{t('wish.what')}</legend>
      <div>
        <label htmlFor={id} className="block text-sm font-medium text-ink-2 mb-0.5">
          {t('wish.words')}
        </label>
        <textarea id={id} rows={2} {...complaint.input} className={INPUT_LOOK} />
        <Fault sentence={complaint.error} />
        <ClashChoice putting={complaint.putting} />
      </div>
      <Uses />
      <div className="grid grid-cols-2 gap-2.5">
        <Choice
          label={t('wish.full')}
          value={full ?? ''}
          options={worded(t, FULL)}
          onChange={(event) => void put({ fullPart: event.target.value || null })}
        />
        <Field label={t('wish.inUse')} placeholder={t('wish.notNoted')} {...inUse.input} error={inUse.error} />
      </div>
      <ClashChoice putting={inUse.putting} text={(value) => sizeText(value) || t('nothing')} />
      <Suggested
        onTake={(text) => {
          void put({ needMiB: parseCapacity(text) });
        }}
      />
      <div className="grid grid-cols-2 gap-2.5">
        <NeedField key={`need ${job.needMiB}`} chips />
        <BudgetField hint />
        <Field
          label={t('wish.by')}
          type="date"
          defaultValue={job.neededBy ?? ''}
          onBlur={(event) => {
            if (event.target.value !== (job.neededBy ?? '')) void put({ neededBy: event.target.value || null });
          }}
        />
        <Choice
          label={t('wish.contractLabel')}
          value={job.cover ?? ''}
          options={worded(t, COVER)}
          onChange={(event) => void put({ cover: event.target.value || null })}
        />
        <FittingChoice />
        <span className="max-[860px]:hidden" />
        <MakerAsksFields key={`asks ${job.makerAsks.totalMiB} ${job.makerAsks.cents}`} />
      </div>
      <ClashChoice putting={putting} />
      <Fault sentence={putting.sentence} />
    </fieldset>
  );
}
