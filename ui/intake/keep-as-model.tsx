'use client';
import { useState } from 'react';
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
  const { job } = useJob();
  const { save } = useSave();
  const typing = useTyped<TypedName, object>({
    from: { maker: job.machine.maker, name: job.machine.name, yearFrom: '' },
    read: ({ maker, name, yearFrom }) =>
      readTyped<TypedName, object>(
        { yearFrom: !/^\d{4}$/.test(yearFrom.trim()) && 'Type the year it came out, such as 2019.' },
        () => ({ maker, name, yearFrom: Number(yearFrom) }),
      ),
    send: async (body) => {
      const result = await save('POST', `/api/jobs/${job.id}/model`, body);
      if (result.ok) onClose();
      return result;
    },
  });
  return (
    <Sheet
      open
      title="Save this machine as a model"
      description="The next one of its kind then needs no questions: its slots, its identifiers and what was decided here go into the library."
      onClose={onClose}
    >
      <Form typing={typing} className="grid grid-cols-[1fr_1fr_6rem] gap-2.5" action="Save" onLeave={onClose}>
        <TextField name="maker" label="Maker" autoFocus />
        <TextField name="name" label="Model" />
        <TextField name="yearFrom" label="Since" inputMode="numeric" />
      </Form>
    </Sheet>
  );
}

/** A machine that the library does not know can be kept as one of its models. */
export function KeepAsModel() {
  const { job } = useJob();
  const [open, setOpen] = useState(false);
  if (job.machine.modelId !== null || job.slots.length === 0 || !job.may.writeLibrary) return null;
  return (
    <p className="text-sm text-ink-2">
      The library does not know this machine.{' '}
      <Button weight="quiet" onClick={() => setOpen(true)}>
        Save as a model
      </Button>
      {open && <KeepSheet onClose={() => setOpen(false)} />}
    </p>
  );
}
