'use client';
import { useState } from 'react';
import {
  type Inside,
  SPECIFICATION_SOURCES,
  type SpecificationSource,
} from '@/core/machine/models/taken-specification';
import { capacityText } from '@/core/memory/capacity';
import type { SpecificationView } from '@/service/job/intake/view';
import { useSave } from '../../client/use-save';
import { useJob } from '../../job/job-context';
import { Button } from '../../kit/button';
import { Check } from '../../kit/check';
import { Choice } from '../../kit/choice';
import { Fault } from '../../kit/fault';
import { Field } from '../../kit/field';
import { type ClaimPick, ClaimPicks } from '../../limits/claim-picks';
import { SOURCE_WORDS } from '../../limits/limit-words';

const SOURCES = SPECIFICATION_SOURCES.map((value) => ({ value, text: SOURCE_WORDS[value] }));

const insideText = ({ capacityMiB, modules }: Inside): string =>
  modules === 1
    ? `${capacityText(capacityMiB)}, 1 module`
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

/** A specification on which nobody decided yet, or that somebody opened again. */
function OpenCard({ reading, specification, onDone }: CardProps & { onDone: () => void }) {
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const { likely, taken, insides, name, board, about } = specification;
  const [picks, setPicks] = useState(picksOf(specification));
  const [kind, setKind] = useState<SpecificationSource>((taken ?? { source: likely }).source.kind);
  const [called, setCalled] = useState((taken ?? { source: likely }).source.name);
  const [inside, setInside] = useState(keyOf(taken?.inside ?? null));
  const [intoModel, setIntoModel] = useState(false);
  // What is in the machine is asked only where no report says it.
  const isFilled = job.slots.some(
    ({ module, soldered, moduleSource }) => module !== null && !soldered && moduleSource !== 'specification',
  );
  const asksInside = insides.length > 0 && !isFilled;
  const taking = picks.filter(({ isTaken }) => isTaken);
  const take = async () => {
    const result = await save('PUT', `/api/jobs/${job.id}/specification`, {
      reading,
      taken: {
        source: { kind, name: called.trim() },
        claims: taking.map(({ limit, value, quote }) => ({ limit, value, quote: quote.slice(0, 400) })),
        inside: insides.find((one) => keyOf(one) === inside) ?? null,
      },
      intoModel,
    });
    if (result.ok) onDone();
  };
  return (
    <form
      aria-label={`Specification${name === '' ? '' : ` of ${name}`}`}
      className="@container my-2 border-2 border-act bg-sheet rounded-notch px-3 py-3 grid gap-3"
      onSubmit={(event) => {
        event.preventDefault();
        void take();
      }}
    >
      <p>
        <strong className="wide">
          {name === '' ? `What ${about === 'cpu' ? 'the CPU' : 'the machine'} takes` : name}
        </strong>
        {board !== '' && <span className="text-ink-2"> · {board}</span>}
      </p>
      <div className="grid gap-3 @md:grid-cols-[11rem_1fr] @2xl:grid-cols-[12rem_1fr_14rem]">
        <Choice
          label="Source"
          value={kind}
          onChange={(event) => setKind(event.target.value as SpecificationSource)}
          options={SOURCES}
        />
        <Field
          label="Name of the source"
          value={called}
          maxLength={200}
          onChange={(event) => setCalled(event.target.value)}
        />
        {asksInside && (
          <Choice
            label="Installed now"
            value={inside}
            onChange={(event) => setInside(event.target.value)}
            options={[
              { value: '', text: 'not known' },
              ...insides.map((one) => ({ value: keyOf(one), text: insideText(one) })),
            ]}
          />
        )}
      </div>
      {picks.length > 0 && <ClaimPicks picks={picks} onChange={setPicks} />}
      {job.machine.modelId !== null && job.may.writeLibrary && (
        <Check checked={intoModel} onChange={setIntoModel}>
          Save these limits for every {job.machine.modelName}
        </Check>
      )}
      <div className="flex flex-wrap items-center gap-3">
        <Button weight="act" type="submit" disabled={busy || called.trim() === ''}>
          {taking.length === 1 ? 'Take 1 limit' : `Take ${taking.length} limits`}
        </Button>
        {taken !== null && <Button onClick={onDone}>Cancel</Button>}
        <Fault sentence={sentence} />
      </div>
    </form>
  );
}

/** A specification of the job: what it claims, in whose name, and what was taken of it. */
export function SpecificationCard({ reading, specification }: CardProps) {
  const { taken } = specification;
  const [open, setOpen] = useState(taken === null);
  if (open || taken === null)
    return <OpenCard reading={reading} specification={specification} onDone={() => setOpen(false)} />;
  const left = specification.claims.length - taken.claims.length;
  return (
    <p className="text-sm text-ink-2 py-1">
      {taken.claims.length === 1 ? '1 limit' : `${taken.claims.length} limits`} taken from{' '}
      <span className="text-ink">{taken.source.name}</span>, {SOURCE_WORDS[taken.source.kind]}
      {left > 0 && ` · ${left} left out`}{' '}
      <Button weight="quiet" onClick={() => setOpen(true)}>
        Edit
      </Button>
    </p>
  );
}
