'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import {
  type Inside,
  SPECIFICATION_SOURCES,
  type SpecificationSource,
} from '@/core/machine/models/taken-specification';
import type { SpecificationView } from '@/service/job/intake/view';
import type { StaffWords } from '@/words/staff-words';
import { useSave } from '../../client/use-save';
import { useJob } from '../../job/job-context';
import { Button } from '../../kit/button';
import { CheckField, ChoiceField, TextField } from '../../kit/form/fields';
import { Form, Send } from '../../kit/form/form';
import { readTyped } from '../../kit/form/read-typed';
import { useTyped } from '../../kit/form/use-typed';
import { type ClaimPick, ClaimPicks } from '../../limits/claim-picks';
import { SOURCE_WORDS } from '../../limits/limit-words';
import { capacityText } from '../../words/amounts';

const insideText = (t: StaffWords<'intake'>, { capacityMiB, modules }: Inside): string =>
  modules === 1
    ? t('spec.oneModule', { capacityMiB: capacityText(capacityMiB) })
    : `${capacityText(capacityMiB)}, ${modules} × ${capacityText(capacityMiB / modules)}`;

const keyOf = (inside: Inside | null): string => (inside === null ? '' : `${inside.capacityMiB} ${inside.modules}`);

/** The claims as they were taken before, and those that were left; untouched, all of them are proposed. */
function picksOf({ claims, taken }: SpecificationView): ClaimPick[] {
  return claims.map((claim) => {
    const before = taken?.claims.find(({ limit }) => limit === claim.limit);
    return { ...claim, value: before?.value ?? claim.value, isTaken: taken === null || before !== undefined };
  });
}

interface CardProps {
  reading: number;
  specification: SpecificationView;
}

interface TypedCard {
  kind: SpecificationSource;
  called: string;
  /** what is installed, by its key; empty: not known */
  inside: string;
  picks: ClaimPick[];
  intoModel: boolean;
}

/** A specification on which nobody decided yet, or that somebody opened again. */
function OpenCard({ reading, specification, onDone }: CardProps & { onDone: () => void }) {
  const t = useTranslations('intake');
  const { job } = useJob();
  const { save } = useSave();
  const { likely, taken, insides, name, board, about } = specification;
  const { source } = taken ?? { source: likely };
  const typing = useTyped<TypedCard, object>({
    from: {
      kind: source.kind,
      called: source.name,
      inside: keyOf(taken?.inside ?? null),
      picks: picksOf(specification),
      intoModel: false,
    },
    read: ({ kind, called, inside, picks, intoModel }) =>
      readTyped<TypedCard, object>({ called: called.trim() === '' && t('spec.faults.source') }, () => ({
        reading,
        taken: {
          source: { kind, name: called.trim() },
          claims: picks
            .filter(({ isTaken }) => isTaken)
            .map(({ limit, value, quote }) => ({ limit, value, quote: quote.slice(0, 400) })),
          inside: insides.find((one) => keyOf(one) === inside) ?? null,
        },
        intoModel,
      })),
    send: async (body) => {
      const result = await save('PUT', `/api/jobs/${job.id}/specification`, body);
      if (result.ok) onDone();
      return result;
    },
  });
  // What is in the machine is asked only where no report says it.
  const isFilled = job.slots.some(
    ({ module, soldered, moduleSource }) => module !== null && !soldered && moduleSource !== 'specification',
  );
  const picks = typing.form.watch('picks');
  const count = picks.filter(({ isTaken }) => isTaken).length;
  return (
    <Form
      typing={typing}
      label={name === '' ? t('spec.label') : t('spec.labelOf', { name })}
      box="@container my-2 border-2 border-act bg-sheet rounded-notch px-3 py-3"
    >
      <p>
        <strong className="wide">
          {name === '' ? t('spec.title', { value: about === 'cpu' ? t('spec.cpu') : t('spec.machine') }) : name}
        </strong>
        {board !== '' && <span className="text-ink-2"> · {board}</span>}
      </p>
      <SourceFields insides={isFilled ? [] : insides} />
      {picks.length > 0 && (
        <ClaimPicks picks={picks} onChange={(next) => typing.form.setValue('picks', next, { shouldDirty: true })} />
      )}
      {job.machine.modelId !== null && job.may.writeLibrary && (
        <CheckField name="intoModel">{t('spec.everyOne', { modelName: job.machine.modelName ?? '' })}</CheckField>
      )}
      <div className="flex flex-wrap items-center gap-3">
        <Send>{t('spec.take', { count })}</Send>
        {taken !== null && <Button onClick={onDone}>{t('cancel')}</Button>}
      </div>
    </Form>
  );
}

/** Who says it, and what is in the machine. @param insides what may be in it; none: nobody has to say */
function SourceFields({ insides }: { insides: readonly Inside[] }) {
  const t = useTranslations('intake');
  const tLimits = useTranslations('limits');
  return (
    <div className="grid gap-3 @md:grid-cols-[11rem_1fr] @2xl:grid-cols-[12rem_1fr_14rem]">
      <ChoiceField
        name="kind"
        label={t('spec.source')}
        options={SPECIFICATION_SOURCES.map((value) => ({ value, text: tLimits(SOURCE_WORDS[value]) }))}
      />
      <TextField name="called" label={t('spec.sourceName')} maxLength={200} />
      {insides.length > 0 && (
        <ChoiceField
          name="inside"
          label={t('spec.installed')}
          options={[
            { value: '', text: t('spec.notKnown') },
            ...insides.map((one) => ({ value: keyOf(one), text: insideText(t, one) })),
          ]}
        />
      )}
    </div>
  );
}

/** A specification of the job: what it claims, in whose name, and what was taken of it. */
export function SpecificationCard({ reading, specification }: CardProps) {
  const t = useTranslations('intake');
  const tLimits = useTranslations('limits');
  const { taken } = specification;
  const [open, setOpen] = useState(taken === null);
  if (open || taken === null)
    return <OpenCard reading={reading} specification={specification} onDone={() => setOpen(false)} />;
  const left = specification.claims.length - taken.claims.length;
  return (
    <p className="text-sm text-ink-2 py-1">
      {t.rich('spec.taken', {
        claims: t('spec.limits', { claims: taken.claims.length }),
        e0: () => <span className="text-ink">{taken.source.name}</span>,
        value: tLimits(SOURCE_WORDS[taken.source.kind]),
        value2: left > 0 ? t('spec.left', { left }) : '',
        e1: () => (
          <Button weight="quiet" onClick={() => setOpen(true)}>
            {t('spec.edit')}
          </Button>
        ),
      })}
    </p>
  );
}
