'use client';
import { useState } from 'react';
import { useSave } from '../client/use-save';
import { useJob } from '../job/job-context';
import { Button } from '../kit/button';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Sheet } from '../kit/sheet';

function KeepSheet({ onClose }: { onClose: () => void }) {
  const { job } = useJob();
  const { busy, sentence, save } = useSave();
  const [maker, setMaker] = useState(job.machine.maker);
  const [name, setName] = useState(job.machine.name);
  const [year, setYear] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const submit = async () => {
    if (!/^\d{4}$/.test(year.trim())) {
      setWrong('Type the year it came out, such as 2019.');
      return;
    }
    setWrong(null);
    const named = { maker, name, yearFrom: Number(year) };
    const result = await save('POST', `/api/jobs/${job.id}/model`, named);
    if (result.ok) onClose();
  };
  return (
    <Sheet
      open
      title="Save this machine as a model"
      description="The next one of its kind then needs no questions: its slots, its identifiers and what was decided here go into the library."
      onClose={onClose}
    >
      <form
        className="grid grid-cols-[1fr_1fr_6rem] gap-2.5"
        onSubmit={(event) => {
          event.preventDefault();
          void submit();
        }}
      >
        <Field label="Maker" value={maker} onChange={(event) => setMaker(event.target.value)} autoFocus />
        <Field label="Model" value={name} onChange={(event) => setName(event.target.value)} />
        <Field label="Since" inputMode="numeric" value={year} onChange={(event) => setYear(event.target.value)} />
        <div className="col-span-3">
          <Fault sentence={wrong ?? sentence} />
        </div>
        <div className="col-span-3 flex justify-end gap-2">
          <Button onClick={onClose}>Cancel</Button>
          <Button weight="act" type="submit" disabled={busy}>
            Save
          </Button>
        </div>
      </form>
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
