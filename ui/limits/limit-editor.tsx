'use client';
import { useTranslations } from '#translations';
import { wordsOn } from '@/core/machine/limits/resolve-claims';
import type { StaffWords } from '@/words/staff-words';
import type { Called } from '../client/session-guard';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { CheckField, ChoiceField, TextField } from '../kit/form/fields';
import { Form, Send } from '../kit/form/form';
import { readTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';
import { Sheet } from '../kit/sheet';
import { AddClaim } from './add-claim';
import { decidedOf } from './decided-of';
import { type LimitRow, limitText, ROLE_WORDS } from './limit-words';
import { choicesOf, typedText, typedValue } from './typed-limit';
import { whyLimit } from './verdict-words';
import { WordLine } from './word-line';

/** What every source says, with its note, day and who entered it; each word can be taken. */
function Words({ row, onTake }: { row: LimitRow; onTake: (value: unknown) => void }) {
  const t = useTranslations('limits');
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
              {t(ROLE_WORDS[role].text)}
            </span>
            {role !== 'binds' && role !== 'agrees' && (
              <Button weight="quiet" onClick={() => onTake(value)}>
                {t('use')}
              </Button>
            )}
          </WordLine>
        );
      })}
    </ul>
  );
}

interface Decision {
  text: string;
  why: string;
  intoModel: boolean;
}

/** What was typed as a value of the limit, or what is wrong with it. */
function readDecision(t: StaffWords<'limits'>, row: LimitRow, typed: Decision) {
  const parsed = typedValue(t, row, typed.text);
  return readTyped<Decision, { value: unknown }>({ text: !parsed.ok && parsed.sentence }, () => ({
    value: parsed.ok ? parsed.value : null,
  }));
}

/** The sheet on which one limit is explained and decided: take a source's word, type a value, or add a source. */
export function LimitEditor({ row, onClose }: { row: LimitRow; onClose: () => void }) {
  const t = useTranslations('limits');
  const { job } = useJob();
  const { save } = useSave();
  const { modelId, modelName } = job.machine;
  const holding = job.limits[row.name];
  const words = wordsOn(job.claims, row.name);
  const put = async (value: unknown): Promise<Called<unknown>> => {
    const { why, intoModel } = typing.form.getValues();
    const result = await save('PUT', `/api/jobs/${job.id}/limits`, {
      decisions: [{ limit: row.name, value, seen: decidedOf(job.claims, row.name) }],
      why,
      intoModel: intoModel && value !== null,
    });
    if (result.ok) onClose();
    return result;
  };
  const typing = useTyped<Decision, { value: unknown }>({
    from: { text: typedText(t, row, holding?.value), why: '', intoModel: false },
    read: (typed) => readDecision(t, row, typed),
    send: ({ value }) => put(value),
  });
  const choices = choicesOf(t, row);
  return (
    <Sheet
      open
      wide
      title={t(row.text)}
      description={whyLimit(t, words, (value) => limitText(t, row.sort, value))}
      onClose={onClose}
    >
      {words.length > 0 && <Words row={row} onTake={(value) => void typing.act(() => put(value))} />}
      <Form
        typing={typing}
        box="mt-4"
        className="grid grid-cols-[minmax(8rem,1fr)_minmax(12rem,2fr)_auto] items-end has-[[aria-invalid]]:items-start gap-2 max-[620px]:grid-cols-1"
      >
        {choices === null ? (
          <TextField name="text" label={t('decide')} unit={row.unit} autoFocus />
        ) : (
          <ChoiceField name="text" label={t('decide')} options={choices} autoFocus />
        )}
        <TextField name="why" label={t('reason')} maxLength={500} />
        <Send>{t('save')}</Send>
        {modelId !== null && (
          <CheckField name="intoModel" className="col-span-full">
            {t('everyModel', { modelName: modelName ?? '' })}
          </CheckField>
        )}
      </Form>
      {modelId !== null && job.may.writeLibrary && <AddClaim row={row} modelId={modelId} modelName={modelName ?? ''} />}
      <div className="flex justify-between mt-4">
        {holding?.source.kind === 'technician' ? (
          <Button weight="quiet" disabled={typing.busy} onClick={() => void typing.act(() => put(null))}>
            {t('undoDecision')}
          </Button>
        ) : (
          <span />
        )}
        <Button onClick={onClose}>{t('close')}</Button>
      </div>
    </Sheet>
  );
}
