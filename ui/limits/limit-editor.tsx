'use client';
import { useState } from 'react';
import { wordsOn } from '@/core/machine/limits/resolve-claims';
import { whyLimit } from '@/core/machine/limits/why-limit';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Check } from '../kit/check';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Sheet } from '../kit/sheet';
import { AddClaim } from './add-claim';
import { decidedOf } from './decided-of';
import { type LimitRow, limitText, ROLE_WORDS } from './limit-words';
import { choicesOf, typedText, typedValue } from './typed-limit';
import { WordLine } from './word-line';

/** What every source says, with its note, day and who entered it; each word can be taken. */
function Words({ row, onTake }: { row: LimitRow; onTake: (value: unknown) => void }) {
  const { job } = useJob();
  const words = wordsOn(job.claims, row.name);
  return (
    <ul className="divide-y divide-line border-y border-line">
      {words.map((word) => {
        const { value, source, role } = word;
        return (
          <WordLine key={`${source.kind} ${source.name} ${JSON.stringify(value)}`} row={row} word={word}>
            <span className="text-sm whitespace-nowrap">
              <span aria-hidden="true">{ROLE_WORDS[role].sign} </span>
              {ROLE_WORDS[role].text}
            </span>
            {role !== 'binds' && role !== 'agrees' && (
              <Button weight="quiet" onClick={() => onTake(value)}>
                Take this
              </Button>
            )}
          </WordLine>
        );
      })}
    </ul>
  );
}

/** The sheet on which one limit is explained and decided: take a source's word, type a value, or add a source. */
export function LimitEditor({ row, onClose }: { row: LimitRow; onClose: () => void }) {
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const holding = job.limits[row.name];
  const [text, setText] = useState(typedText(row, holding?.value));
  const [why, setWhy] = useState('');
  const [intoModel, setIntoModel] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const decided = holding?.source.kind === 'technician';
  const words = wordsOn(job.claims, row.name);

  const put = async (value: unknown) => {
    const result = await save('PUT', `/api/jobs/${job.id}/limits`, {
      decisions: [{ limit: row.name, value, seen: decidedOf(job.claims, row.name) }],
      why,
      intoModel: intoModel && value !== null,
    });
    if (result.ok) onClose();
  };
  const submit = () => {
    const parsed = typedValue(row, text);
    if (parsed.ok) void put(parsed.value);
    else setWrong(parsed.sentence);
  };
  const choices = choicesOf(row);
  return (
    <Sheet
      open
      wide
      title={row.text}
      description={whyLimit(words, (value) => limitText(row.sort, value))}
      onClose={onClose}
    >
      {words.length > 0 && <Words row={row} onTake={put} />}
      <form
        className="grid grid-cols-[minmax(8rem,1fr)_minmax(12rem,2fr)_auto] items-end gap-2 mt-4 max-[620px]:grid-cols-1"
        onSubmit={(event) => {
          event.preventDefault();
          submit();
        }}
      >
        {choices === null ? (
          <Field
            label="Decide it here"
            value={text}
            onChange={(event) => setText(event.target.value)}
            error={wrong}
            unit={row.unit}
            autoFocus
          />
        ) : (
          <Choice
            label="Decide it here"
            value={text}
            onChange={(event) => setText(event.target.value)}
            options={choices}
            autoFocus
          />
        )}
        <Field label="Why" value={why} maxLength={500} onChange={(event) => setWhy(event.target.value)} />
        <Button weight="act" type="submit" disabled={busy}>
          Decide
        </Button>
      </form>
      {job.machine.modelId !== null && (
        <Check checked={intoModel} onChange={setIntoModel} className="mt-2">
          for every {job.machine.modelName} from now on
        </Check>
      )}
      <div className="mt-2">
        <Fault sentence={sentence} />
      </div>
      {job.machine.modelId !== null && job.may.writeLibrary && (
        <AddClaim row={row} modelId={job.machine.modelId} modelName={job.machine.modelName ?? ''} />
      )}
      <div className="flex justify-between mt-4">
        {decided ? (
          <Button weight="quiet" disabled={busy} onClick={() => put(null)}>
            Take the decision back
          </Button>
        ) : (
          <span />
        )}
        <Button onClick={onClose}>Close</Button>
      </div>
    </Sheet>
  );
}
