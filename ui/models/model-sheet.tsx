'use client';
import { type ReactNode, useState } from 'react';
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
import { capacityText } from '@/core/memory/capacity';
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
  const rows: [string, readonly string[]][] = [
    ['Model numbers', fields.modelIds],
    ['Boards', fields.boardIds],
    ['Reports call it', fields.productStrings],
    ['Serials begin', fields.serialPrefixes],
    [
      fields.kind === 'board' ? 'CPUs it takes' : 'CPUs it came with',
      fields.cpus.map(({ name, maxMiB, maxRateMTs }) => {
        const facts = [maxMiB === null ? '' : capacityText(maxMiB), maxRateMTs === null ? '' : `${maxRateMTs} MT/s`];
        const known = facts.filter((fact) => fact !== '').join(', ');
        return known === '' ? name : `${name} (${known})`;
      }),
    ],
    ['Firmware seen', fields.firmware],
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
  const noted = slots.filter(({ lidName, place, latch }) => lidName !== null || place !== null || latch !== null);
  if (noted.length === 0) return null;
  return (
    <ul className="text-sm mt-1 grid gap-0.5">
      {noted.map(({ name, lidName, place, latch }) => (
        <li key={name}>
          <span className="font-semibold">{name}</span>
          {lidName !== null && `, “${lidName}” on the lid’s label`}
          {place !== null && `, ${PLACE_WORDS[place]}`}
          {latch !== null && `, ${latch} latch`}
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
  const minutes = steps.reduce((sum, step) => sum + (step.minutes ?? 0), 0);
  return (
    <section aria-label="Opening" className="bg-sheet border border-line px-3 py-2">
      <h2 className="text-base">
        How it is opened {minutes > 0 && <span className="font-normal text-ink-2">· about {minutes} min</span>}
      </h2>
      {took.length > 0 && (
        <p className="text-sm">
          On the bench it took {took.slice(0, 6).join(', ')} min{took.length > 1 && ', the latest first'}.
        </p>
      )}
      {children}
    </section>
  );
}

function Factory({ options, most }: { options: readonly FactoryOption[]; most: number | null }) {
  if (options.length === 0 && most === null) return null;
  return (
    <section aria-label="From the factory" className="bg-sheet border border-line px-3 py-2">
      <h2 className="text-base">From the factory</h2>
      <ul className="text-sm mt-1">
        {options.map(({ totalMiB, surchargeCents, baseModel }) => (
          <li key={`${totalMiB} ${baseModel}`}>
            <span className="font-semibold">{capacityText(totalMiB)}</span>{' '}
            {surchargeCents === 0 ? 'in the base model' : `for ${(surchargeCents / 100).toFixed(2)} more`}
            {baseModel !== '' && <span className="text-ink-2"> · only as {baseModel}</span>}
          </li>
        ))}
        {most !== null && <li className="text-ink-2">The maker sells it with {capacityText(most)} at the most.</li>}
      </ul>
    </section>
  );
}

/** A model of the library: what it is, where its slots are, what is said and what was seen of it. */
export function ModelSheet(props: ModelSheetProps) {
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
            <CeilingRuler title="The whole machine" ruler={totalRuler(limits, said, jobSlots)} />
            <CeilingRuler title="One module" ruler={moduleRuler(limits, said, jobSlots)} />
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
          <section aria-label="Names" className="bg-sheet border border-line px-3 py-2">
            <h2 className="text-base mb-1">How it is known</h2>
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
  return (
    <section aria-label="Slots" className="bg-sheet border border-line px-3 py-2">
      <h2 className="text-base mb-1">Its slots</h2>
      {slots.length === 0 ? (
        <p className="text-sm text-ink-2">Nobody has told yet which slots it has.</p>
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
          Add a slot
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
  return (
    <div className="flex flex-wrap items-baseline justify-between gap-3">
      <h1 className="text-xl">
        {fields.maker} {fields.name}{' '}
        <span className="font-normal text-ink-2 text-base">
          {years}
          {fields.kind === 'board' && ', a bare board'}
        </span>
      </h1>
      {mayWrite && (
        <div className="flex gap-2">
          <Button onClick={onPaste}>Add a specification</Button>
          <Button onClick={onEdit}>Edit</Button>
        </div>
      )}
    </div>
  );
}
