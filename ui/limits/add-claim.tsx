'use client';
import { useState } from 'react';
import { CLAIM_SOURCES } from '@/core/machine/models/model';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { type LimitRow, SOURCE_WORDS } from './limit-words';
import { choicesOf, typedText, typedValue } from './typed-limit';

interface AddClaimProps {
  row: LimitRow;
  modelId: number;
  modelName: string;
  /** open from the start, where nothing else is on the sheet */
  open?: boolean;
}

/** Notes what a paper says of a limit, for every machine of the model; weighing decides what it is worth. */
export function AddClaim({ row, modelId, modelName, open = false }: AddClaimProps) {
  const { busy, sentence, save } = useSave();
  const [kind, setKind] = useState<string>('board-manual');
  const [name, setName] = useState('');
  const [text, setText] = useState(typedText(row, undefined));
  const [note, setNote] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const choices = choicesOf(row);
  const submit = async () => {
    const parsed = typedValue(row, text);
    setWrong(parsed.ok ? null : parsed.sentence);
    if (!parsed.ok) return;
    const claim = { limit: row.name, kind, name: name.trim(), value: parsed.value, note };
    const result = await save('POST', `/api/models/${modelId}/claims`, claim);
    if (!result.ok) return;
    setName('');
    setNote('');
  };
  const value = choices === null ? text : undefined;
  return (
    <details open={open} className="mt-3 border-t border-line pt-2">
      <summary className="cursor-pointer text-sm font-semibold">Note what a paper says of every {modelName}</summary>
      <form
        className="grid grid-cols-2 gap-2 mt-2"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <Choice
          label="Source"
          value={kind}
          onChange={(event) => setKind(event.target.value)}
          options={CLAIM_SOURCES.filter((one) => one !== 'technician').map((one) => ({
            value: one,
            text: SOURCE_WORDS[one],
          }))}
        />
        <Field
          label="Called"
          placeholder="board manual, p. 31"
          value={name}
          maxLength={200}
          onChange={(event) => setName(event.target.value)}
        />
        {choices === null ? (
          <Field
            label="It says"
            value={value}
            onChange={(event) => setText(event.target.value)}
            error={wrong}
            unit={row.unit}
          />
        ) : (
          <Choice label="It says" value={text} onChange={(event) => setText(event.target.value)} options={choices} />
        )}
        <Field label="Note" value={note} maxLength={500} onChange={(event) => setNote(event.target.value)} />
        <div className="col-span-2 flex items-center gap-3">
          <Button type="submit" disabled={busy || name.trim() === ''}>
            Note it
          </Button>
          <Fault sentence={sentence} />
        </div>
      </form>
    </details>
  );
}
