'use client';
import { useSave } from '../client/use-save';
import { TextAreaField, TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { readTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';

interface TestedListsProps {
  id: number;
  tested: readonly { list: string; parts: string[] }[];
  mayWrite: boolean;
}

/** Whose lists name which parts as tested in this model; offers of these parts say so. */
export function TestedLists({ id, tested, mayWrite }: TestedListsProps) {
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
          <NewList id={id} />
        </details>
      )}
    </section>
  );
}

interface TypedList {
  list: string;
  parts: string;
}
const NOTHING: TypedList = { list: '', parts: '' };

function NewList({ id }: { id: number }) {
  const { save } = useSave();
  const typing = useTyped<TypedList, TypedList>({
    from: NOTHING,
    next: NOTHING,
    read: (typed) =>
      readTyped<TypedList, TypedList>(
        {
          list: typed.list.trim() === '' && 'Type whose list it is.',
          parts: typed.parts.trim() === '' && 'Type the part numbers.',
        },
        () => typed,
      ),
    send: (body) => save('POST', `/api/models/${id}/tested`, body),
  });
  return (
    <Form typing={typing} box="mt-1" className="grid gap-2">
      <TextField name="list" label="Whose list" maxLength={200} />
      <TextAreaField name="parts" label="Part numbers, one a line" rows={3} />
      <Send weight="plain">Add it</Send>
    </Form>
  );
}
