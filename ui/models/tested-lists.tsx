'use client';
import { useState } from 'react';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field, INPUT_LOOK } from '../kit/field';

interface TestedListsProps {
  id: number;
  tested: readonly { list: string; parts: string[] }[];
  mayWrite: boolean;
}

/** Whose lists name which parts as tested in this model; offers of these parts say so. */
export function TestedLists({ id, tested, mayWrite }: TestedListsProps) {
  const { busy, sentence, save } = useSave();
  const [list, setList] = useState('');
  const [parts, setParts] = useState('');
  const submit = async () => {
    const result = await save('POST', `/api/models/${id}/tested`, { list, parts });
    if (!result.ok) return;
    setList('');
    setParts('');
  };
  if (tested.length === 0 && !mayWrite) return null;
  return (
    <section aria-label="Tested parts" className="bg-sheet border border-line px-3 py-2">
      <h2 className="text-base">Tested parts</h2>
      <ul className="text-sm mt-1 grid gap-1">
        {tested.map((one) => (
          <li key={one.list}>
            <span className="font-semibold">{one.list}:</span> {one.parts.join(' · ')}
          </li>
        ))}
      </ul>
      {mayWrite && (
        <details className="mt-1">
          <summary className="cursor-pointer text-sm font-semibold">Add a list</summary>
          <form
            className="grid gap-2 mt-1"
            onSubmit={(event) => {
              event.preventDefault();
              void submit();
            }}
          >
            <Field label="Whose list" value={list} maxLength={200} onChange={(event) => setList(event.target.value)} />
            <label className="text-sm font-medium text-ink-2">
              Part numbers, one a line
              <textarea
                rows={3}
                className={INPUT_LOOK}
                value={parts}
                onChange={(event) => setParts(event.target.value)}
              />
            </label>
            <Fault sentence={sentence} />
            <Button type="submit" disabled={busy || list.trim() === '' || parts.trim() === ''}>
              Add it
            </Button>
          </form>
        </details>
      )}
    </section>
  );
}
