'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { TextField } from '../kit/form/fields';
import { Form } from '../kit/form/form';
import { readTyped } from '../kit/form/read-typed';
import { useTyped } from '../kit/form/use-typed';
import { Sheet } from '../kit/sheet';

interface TypedName {
  maker: string;
  name: string;
  yearFrom: string;
}

function KeepSheet({ onClose }: { onClose: () => void }) {
  const t = useTranslations('intake');
  const { job } = useJob();
  const { save } = useSave();
  const typing = useTyped<TypedName, object>({
    from: { maker: job.machine.maker, name: job.machine.name, yearFrom: '' },
    read: ({ maker, name, yearFrom }) =>
      readTyped<TypedName, object>({ yearFrom: !/^\d{4}$/.test(yearFrom.trim()) && t('faults.year') }, () => ({
        maker,
        name,
        yearFrom: Number(yearFrom),
      })),
    send: async (body) => {
      const result = await save('POST', `/api/jobs/${job.id}/model`, body);
      if (result.ok) onClose();
      return result;
    },
  });
  return (
    <Sheet open title={t('keep.title')} description={t('keep.what')} onClose={onClose}>
      <Form typing={typing} className="grid grid-cols-[1fr_1fr_6rem] gap-2.5" action={t('keep.save')} onLeave={onClose}>
        <TextField name="maker" label={t('maker')} autoFocus />
        <TextField name="name" label={t('model')} />
        <TextField name="yearFrom" label={t('keep.since')} inputMode="numeric" />
      </Form>
    </Sheet>
  );
}

/** A machine that the library does not know can be kept as one of its models. */
export function KeepAsModel() {
  const t = useTranslations('intake');
  const { job } = useJob();
  const [open, setOpen] = useState(false);
  if (job.machine.modelId !== null || job.slots.length === 0 || !job.may.writeLibrary) return null;
  return (
    <p className="text-sm text-ink-2">
      {t.rich('keep.offer', {
        e0: () => (
          <Button weight="quiet" onClick={() => setOpen(true)}>
            {t('keep.action')}
          </Button>
        ),
        value: () => open && <KeepSheet onClose={() => setOpen(false)} />,
      })}
    </p>
  );
}
