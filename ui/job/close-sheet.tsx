'use client';
import { useRouter } from 'next/navigation';
import { useTranslations } from '#translations';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { ChoiceField, TextField } from '../kit/form/fields';
import { Form } from '../kit/form/form';
import { readTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';
import { Sheet } from '../kit/sheet';
import { CLOSING_TEXTS, type ShownClosing } from './closing-words';

interface TypedEnd {
  as: ShownClosing;
  why: string;
}

/** How a job ended and why; one in which nothing is may be deleted. */
export function CloseSheet({ jobId, onClose }: { jobId: number; onClose: () => void }) {
  const t = useTranslations('job');
  const router = useRouter();
  const { save } = useSave();
  const typing = useTyped<TypedEnd, TypedEnd>({
    from: { as: 'done', why: '' },
    read: (typed) =>
      readTyped<TypedEnd, TypedEnd>(
        { why: typed.as !== 'done' && typed.why.trim() === '' && t('close.faults.reason') },
        () => typed,
      ),
    send: async (body) => {
      const result = await save('PUT', `/api/jobs/${jobId}/closed`, body);
      if (result.ok) router.push('/counter');
      return result;
    },
  });
  const remove = () =>
    typing.act(async () => {
      const result = await save('DELETE', `/api/jobs/${jobId}`);
      if (result.ok) router.push('/counter');
      return result;
    });
  return (
    <Sheet open title={t('close.title', { jobId })} description={t('close.what')} onClose={onClose}>
      <Form
        typing={typing}
        action={t('close.confirm')}
        onLeave={onClose}
        beside={
          <Button weight="quiet" disabled={typing.busy} onClick={() => void remove()}>
            {t('close.delete')}
          </Button>
        }
      >
        <ChoiceField
          name="as"
          label={t('close.how')}
          options={Object.entries(CLOSING_TEXTS).map(([value, text]) => ({ value, text: t(text) }))}
        />
        <TextField
          name="why"
          label={t('close.reason')}
          maxLength={500}
          placeholder={typing.form.watch('as') === 'done' ? t('close.notNeeded') : t('close.examples')}
        />
      </Form>
    </Sheet>
  );
}
