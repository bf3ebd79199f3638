'use client';
import { useTranslations } from '#translations';
import { DEPTHS, OUTCOMES } from '@/core/machine/limits/evidence';
import { GENERATIONS } from '@/core/memory/generation';
import { BUFFERINGS } from '@/core/memory/module';
import { useSave } from '../../client/use-save';
import { ChoiceField, TextField } from '../../kit/form/fields';
import { Form } from '../../kit/form/form';
import { useTyped } from '../../kit/form/use-typed';
import { Sheet } from '../../kit/sheet';
import { newTrial, readTrial } from './trial-typed';
import { DEPTH_WORDS, OUTCOME_WORDS } from './trial-words';

interface TrialEditorProps {
  model: { id: number; name: string };
  start: { generation: string; slots: readonly string[]; cpu: string };
  onClose: () => void;
}

const today = (): string => new Date().toISOString().slice(0, 10);

const plain = (values: readonly string[]) => values.map((value) => ({ value, text: value }));

/** The sheet on which a trial is recorded. */
export function TrialEditor({ model, start, onClose }: TrialEditorProps) {
  const t = useTranslations('limits');
  const { save } = useSave();
  const typing = useTyped({
    from: newTrial(start, today()),
    read: (typed) => readTrial(t, typed),
    send: async (trial) => {
      const result = await save('POST', `/api/models/${model.id}/trials`, trial);
      if (result.ok) onClose();
      return result;
    },
  });
  return (
    <Sheet open wide title={t('tests.record')} description={t('tests.what', { name: model.name })} onClose={onClose}>
      <Form
        typing={typing}
        className="grid grid-cols-6 gap-x-3 gap-y-2"
        action={t('save')}
        leave={t('cancel')}
        onLeave={onClose}
      >
        <TextField
          name="modules"
          label={t('tests.modulesLabel')}
          inputMode="numeric"
          className="col-span-1"
          autoFocus
        />
        <TextField name="size" label={t('tests.of')} className="col-span-2" placeholder="16 GB" />
        <TextField name="total" label={t('tests.total')} className="col-span-3" placeholder={t('tests.asSum')} />
        <ChoiceField
          name="generation"
          label={t('names.generations')}
          className="col-span-2"
          options={plain(GENERATIONS)}
        />
        <ChoiceField name="buffering" label={t('tests.buffering')} className="col-span-2" options={plain(BUFFERINGS)} />
        <ChoiceField name="ecc" label="ECC" className="col-span-1" options={plain(['no', 'yes'])} />
        <TextField name="rate" label={t('tests.rate')} className="col-span-1" inputMode="numeric" placeholder="MT/s" />
        <ChoiceField
          name="outcome"
          label={t('tests.happened')}
          className="col-span-3"
          options={OUTCOMES.map((value) => ({ value, text: t(OUTCOME_WORDS[value]) }))}
        />
        <ChoiceField
          name="depth"
          label={t('tests.level')}
          className="col-span-3"
          options={DEPTHS.map((value) => ({ value, text: t(DEPTH_WORDS[value]) }))}
        />
        <TextField
          name="slots"
          label={t('tests.slots')}
          className="col-span-2"
          placeholder={start.slots.slice(0, 2).join(' ')}
        />
        <TextField name="firmware" label={t('tests.firmwareLabel')} className="col-span-2" />
        <TextField name="cpu" label="CPU" className="col-span-2" />
        <TextField name="on" label={t('tests.day')} type="date" className="col-span-2" />
        <TextField name="note" label={t('note')} className="col-span-4" maxLength={500} />
      </Form>
    </Sheet>
  );
}
