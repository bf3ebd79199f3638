'use client';
import { type ReactNode, useState } from 'react';
import { useTranslations } from '#translations';
import { limitsOfClaims } from '@/core/machine/case-of-job';
import { claimsOfTrials, type Trial } from '@/core/machine/limits/evidence';
import type { Claim } from '@/core/machine/limits/limit';
import {
  chosenCpu,
  claimsOfCpu,
  type FactoryOption,
  type LibrarySlot,
  type OpeningStep,
} from '@/core/machine/models/model';
import { slotsOfModel } from '@/core/machine/slots/slots-of-reading';
import { slotChanges } from '@/core/quoting/slot-changes';
import { SlotBoard } from '../board/slot-board';
import { useAhead } from '../client/use-ahead';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { CeilingRuler } from '../limits/ceiling-ruler';
import type { LimitRow } from '../limits/limit-words';
import { LimitsGrid } from '../limits/limits-grid';
import { moduleRuler, totalRuler } from '../limits/ruler-rows';
import { EvidencePanel } from '../limits/trials/evidence-panel';
import { capacityText } from '../words/amounts';
import { AddSpecification } from './add-specification';
import { ClaimSheet } from './claim-sheet';
import { LibrarySlotSheet } from './library-slot-sheet';
import { ModelEditor } from './model-editor';
import type { ModelFields } from './model-fields';
import { Photos } from './photos';
import { PLACE_WORDS } from './place-words';
import { StepList } from './step-list';
import { TestedLists } from './tested-lists';

interface ModelSheetProps {
  id: number;
  fields: ModelFields;
  years: string;
  slots: readonly LibrarySlot[];
  claims: readonly Claim[];
  trials: readonly Trial[];
  tested: readonly { list: string; parts: string[] }[];
  photos: readonly { id: number; caption: string }[];
  /** how long whole times on the bench took, minutes, the latest first */
  took: readonly number[];
  mayWrite: boolean;
}

function Facts({ fields }: { fields: ModelFields }) {
  const t = useTranslations('models');
  const rows: [string, readonly string[]][] = [
    [t('names.numbers'), fields.modelIds],
    [t('names.boards'), fields.boardIds],
    [t('names.reports'), fields.productStrings],
    [t('names.serials'), fields.serialPrefixes],
    [
      fields.kind === 'board' ? t('names.cpus') : t('names.cpusSold'),
      fields.cpus.map(({ name, maxMiB, maxRateMTs }) => {
        const facts = [maxMiB === null ? '' : capacityText(maxMiB), maxRateMTs === null ? '' : `${maxRateMTs} MT/s`];
        const known = facts.filter((fact) => fact !== '').join(', ');
        return known === '' ? name : `${name} (${known})`;
      }),
    ],
    [t('names.firmware'), fields.firmware],
  ];
  const told = rows.filter(([, values]) => values.length > 0);
  return (
    <dl className="grid grid-cols-[9rem_1fr] gap-x-3 gap-y-1 text-sm">
      {told.map(([label, values]) => (
        <div key={label} className="contents">
          <dt className="text-ink-2">{label}</dt>
          <dd className="font-medium">{values.join(' · ')}</dd>
        </div>
      ))}
    </dl>
  );
}

/** Slots whose label in the lid, place or latch a technician must know of. */
function SlotNotes({ slots }: { slots: readonly LibrarySlot[] }) {
  const t = useTranslations('models');
  const noted = slots.filter(({ lidName, place, latch }) => lidName !== null || place !== null || latch !== null);
  if (noted.length === 0) return null;
  return (
    <ul className="text-sm mt-1 grid gap-0.5">
      {noted.map(({ name, lidName, place, latch }) => (
        <li key={name}>
          <span className="font-semibold">{name}</span>
          {lidName !== null && t('sheet.lid', { lidName })}
          {place !== null && `, ${t(PLACE_WORDS[place])}`}
          {latch !== null && t('sheet.latch', { latch })}
        </li>
      ))}
    </ul>
  );
}

/** How it is opened, and how long that and the rest took on the bench. */
function Opening({
  steps,
  took,
  children,
}: {
  steps: readonly OpeningStep[];
  took: readonly number[];
  children: ReactNode;
}) {
  const t = useTranslations('models');
  const minutes = steps.reduce((sum, step) => sum + (step.minutes ?? 0), 0);
  return (
    <section aria-label={t('opening.label')} className="bg-sheet border border-line px-3 py-2">
      <h2 className="text-base">
        {t.rich('opening.title', {
          value: () => minutes > 0 && <span className="font-normal text-ink-2">{t('opening.about', { minutes })}</span>,
        })}
      </h2>
      {took.length > 0 && (
        <p className="text-sm">
          {t('opening.took', { value: took.slice(0, 6).join(', '), took: took.length > 1 ? t('opening.latest') : '' })}
        </p>
      )}
      {children}
    </section>
  );
}

function Factory({ options, most }: { options: readonly FactoryOption[]; most: number | null }) {
  const t = useTranslations('models');
  if (options.length === 0 && most === null) return null;
  return (
    <section aria-label={t('factory.label')} className="bg-sheet border border-line px-3 py-2">
      <h2 className="text-base">{t('factory.label')}</h2>
      <ul className="text-sm mt-1">
        {options.map(({ totalMiB, surchargeCents, baseModel }) => (
          <li key={`${totalMiB} ${baseModel}`}>
            <span className="font-semibold">{capacityText(totalMiB)}</span>{' '}
            {surchargeCents === 0 ? t('factory.base') : t('factory.more', { value: (surchargeCents / 100).toFixed(2) })}
            {baseModel !== '' && <span className="text-ink-2">{t('factory.onlyAs', { baseModel })}</span>}
          </li>
        ))}
        {most !== null && <li className="text-ink-2">{t('factory.most', { most: capacityText(most) })}</li>}
      </ul>
    </section>
  );
}

/** A model of the library: what it is, where its slots are, what is said and what was seen of it. */
export function ModelSheet(props: ModelSheetProps) {
  const t = useTranslations('models');
  const tLimits = useTranslations('limits');
  const { id, fields, years, claims, trials, tested, photos, took, mayWrite } = props;
  const { save } = useSave();
  const [slots, savedSlots] = useAhead(props.slots);
  const [editing, setEditing] = useState(false);
  const [pasting, setPasting] = useState(false);
  const [slot, setSlot] = useState<string | null>(null);
  const [noting, setNoting] = useState<LimitRow | null>(null);
  // The one CPU that it comes with binds like any paper; of several, the job's machine has one.
  const cpu = chosenCpu(fields.cpus, '');
  const told = cpu === null ? claims : [...claims, ...claimsOfCpu(cpu)];
  const said = [...told, ...claimsOfTrials(trials, limitsOfClaims(told))];
  const limits = limitsOfClaims(said);
  const jobSlots = slotsOfModel(slots);
  const name = `${fields.maker} ${fields.name}`;
  return (
    <div className="grid gap-3">
      <ModelHead
        fields={fields}
        years={years}
        mayWrite={mayWrite}
        onPaste={() => setPasting(true)}
        onEdit={() => setEditing(true)}
      />
      {fields.note !== '' && <p>{fields.note}</p>}
      {pasting && <AddSpecification model={{ id, name }} onClose={() => setPasting(false)} />}
      <div className="grid gap-3 lg:grid-cols-[minmax(0,1fr)_24rem] items-start">
        <div className="grid gap-3 min-w-0">
          <div className="grid gap-3 md:grid-cols-2">
            <CeilingRuler title={t('wholeMachine')} ruler={totalRuler(tLimits, limits, said, jobSlots)} />
            <CeilingRuler title={t('oneModule')} ruler={moduleRuler(tLimits, limits, said, jobSlots)} />
          </div>
          <LimitsGrid claims={said} onPick={mayWrite ? setNoting : null} />
          <EvidencePanel
            trials={trials}
            model={{ id, name }}
            start={{
              generation: limits.generations?.value[0] ?? 'DDR4',
              slots: slots.map((slot) => slot.name),
              cpu: '',
            }}
            mayWrite={mayWrite}
            onDrop={(trialId) => void save('DELETE', `/api/models/${id}/trials`, { id: trialId })}
          />
        </div>
        <div className="grid gap-3">
          <SlotsOfModel slots={slots} limits={limits} onPick={mayWrite ? setSlot : null} />
          <section aria-label={t('names.label')} className="bg-sheet border border-line px-3 py-2">
            <h2 className="text-base mb-1">{t('names.title')}</h2>
            <Facts fields={fields} />
          </section>
          <Opening steps={fields.opening} took={took}>
            <StepList modelId={id} steps={fields.opening} photos={photos} mayWrite={mayWrite} />
          </Opening>
          <Factory options={fields.factoryOptions} most={fields.factoryMaxMiB} />
          <Photos id={id} photos={photos} mayWrite={mayWrite} />
          <TestedLists id={id} tested={tested} mayWrite={mayWrite} />
        </div>
      </div>
      {noting !== null && (
        <ClaimSheet row={noting} model={{ id, name }} claims={claims} onClose={() => setNoting(null)} />
      )}
      {editing && <ModelEditor id={id} fields={fields} onClose={() => setEditing(false)} />}
      {slot !== null && (
        <LibrarySlotSheet
          modelId={id}
          slots={slots}
          name={slot === '' ? null : slot}
          onSaved={savedSlots}
          onClose={() => setSlot(null)}
        />
      )}
    </div>
  );
}

interface SlotsOfModelProps {
  slots: readonly LibrarySlot[];
  limits: ReturnType<typeof limitsOfClaims>;
  onPick: ((slot: string) => void) | null;
}

/** Its board, slot by slot. */
function SlotsOfModel({ slots, limits, onPick }: SlotsOfModelProps) {
  const t = useTranslations('models');
  return (
    <section aria-label={t('slots.label')} className="bg-sheet border border-line px-3 py-2">
      <h2 className="text-base mb-1">{t('slots.label')}</h2>
      {slots.length === 0 ? (
        <p className="text-sm text-ink-2">{t('slots.none')}</p>
      ) : (
        <SlotBoard
          changes={slotChanges(slotsOfModel(slots), null, [])}
          planned={false}
          generation={limits.generations?.value[0] ?? null}
          form={limits.form?.value ?? null}
          {...(onPick !== null && { onPick })}
        />
      )}
      <SlotNotes slots={slots} />
      {onPick !== null && (
        <Button weight="quiet" onClick={() => onPick('')}>
          {t('slot.add')}
        </Button>
      )}
    </section>
  );
}

interface ModelHeadProps {
  fields: ModelFields;
  years: string;
  mayWrite: boolean;
  onPaste: () => void;
  onEdit: () => void;
}

/** Its name, and what is changed of it. */
function ModelHead({ fields, years, mayWrite, onPaste, onEdit }: ModelHeadProps) {
  const t = useTranslations('models');
  return (
    <div className="flex flex-wrap items-baseline justify-between gap-3">
      <h1 className="text-xl">
        {fields.maker} {fields.name}{' '}
        <span className="font-normal text-ink-2 text-base">
          {years}
          {fields.kind === 'board' && t('sheet.bare')}
        </span>
      </h1>
      {mayWrite && (
        <div className="flex gap-2">
          <Button onClick={onPaste}>{t('spec.title')}</Button>
          <Button onClick={onEdit}>{t('edit.action')}</Button>
        </div>
      )}
    </div>
  );
}
