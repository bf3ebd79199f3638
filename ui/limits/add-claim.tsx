'use client';
import { useTranslations } from '#translations';
import { CLAIM_SOURCES } from '@/core/machine/models/model';
import { useSave } from '../client/use-save';
import { ChoiceField, TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { readTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';
import { type LimitRow, SOURCE_WORDS } from './limit-words';
import { choicesOf, typedText, typedValue } from './typed-limit';

interface AddClaimProps {
  row: LimitRow;
  modelId: number;
  modelName: string;
  /** open from the start, where nothing else is on the sheet */
  open?: boolean;
}

interface TypedClaim {
  kind: string;
  name: string;
  text: string;
  note: string;
}

const SOURCES = CLAIM_SOURCES.filter((one) => one !== 'technician');

/** Notes what a paper says of a limit, for every machine of the model; weighing decides what it is worth. */
export function AddClaim({ row, modelId, modelName, open = false }: AddClaimProps) {
  const t = useTranslations('limits');
  const { save } = useSave();
  const choices = choicesOf(t, row);
  const nothing = { kind: 'board-manual', name: '', text: typedText(t, row, undefined), note: '' };
  const typing = useTyped<TypedClaim, object>({
    from: nothing,
    next: nothing,
    read: ({ kind, name, text, note }) => {
      const parsed = typedValue(t, row, text);
      const looked = {
        name: name.trim() === '' && t('faults.source'),
        text: !parsed.ok && parsed.sentence,
      };
      return readTyped<TypedClaim, object>(looked, () => ({
        limit: row.name,
        kind,
        name: name.trim(),
        value: parsed.ok ? parsed.value : null,
        note,
      }));
    },
    send: (claim) => save('POST', `/api/models/${modelId}/claims`, claim),
  });
  return (
    <details open={open} className="mt-3 border-t border-line pt-2">
      <summary className="cursor-pointer text-sm font-semibold">{t('add.title', { modelName })}</summary>
      <Form typing={typing} box="mt-2" className="grid grid-cols-2 gap-2">
        <ChoiceField
          name="kind"
          label={t('source')}
          options={SOURCES.map((value) => ({ value, text: t(SOURCE_WORDS[value]) }))}
        />
        <TextField name="name" label={t('add.name')} placeholder={t('add.example')} maxLength={200} />
        {choices === null ? (
          <TextField name="text" label={t('add.value')} unit={row.unit} />
        ) : (
          <ChoiceField name="text" label={t('add.value')} options={choices} />
        )}
        <TextField name="note" label={t('note')} maxLength={500} />
        <div className="col-span-2">
          <Send weight="plain">{t('add.action')}</Send>
        </div>
      </Form>
    </details>
  );
}
