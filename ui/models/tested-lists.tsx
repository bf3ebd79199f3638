'use client';
import { useTranslations } from '#translations';
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
  const t = useTranslations('models');
  if (tested.length === 0 && !mayWrite) return null;
  return (
    <section aria-label={t('tested.title')} className="bg-sheet border border-line px-3 py-2">
      <h2 className="text-base">{t('tested.title')}</h2>
      <ul className="text-sm mt-1 grid gap-1">
        {tested.map((one) => (
          <li key={one.list}>
            <span className="font-semibold">{one.list}:</span> {one.parts.join(' · ')}
          </li>
        ))}
      </ul>
      {mayWrite && (
        <details className="mt-1">
          <summary className="cursor-pointer text-sm font-semibold">{t('tested.add')}</summary>
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
  const t = useTranslations('models');
  const { save } = useSave();
  const typing = useTyped<TypedList, TypedList>({
    from: NOTHING,
    next: NOTHING,
    read: (typed) =>
      readTyped<TypedList, TypedList>(
        {
          list: typed.list.trim() === '' && t('tested.faults.list'),
          parts: typed.parts.trim() === '' && t('tested.faults.parts'),
        },
        () => typed,
      ),
    send: (body) => save('POST', `/api/models/${id}/tested`, body),
  });
  return (
    <Form typing={typing} box="mt-1" className="grid gap-2">
      <TextField name="list" label={t('tested.list')} maxLength={200} />
      <TextAreaField name="parts" label={t('tested.parts')} rows={3} />
      <Send weight="plain">{t('add')}</Send>
    </Form>
  );
}
