'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { useSave } from '../client/use-save';
import { Button } from '../kit/button';
import { Choice } from '../kit/choice';
import { Fault } from '../kit/fault';
import { Field } from '../kit/field';
import { Sheet } from '../kit/sheet';
import { CLOSING_TEXTS, type Closing } from './closing-words';

function CloseSheet({ jobId, onClose }: { jobId: number; onClose: () => void }) {
  const router = useRouter();
  const { busy, sentence, save } = useSave();
  const [as, setAs] = useState<Closing>('done');
  const [why, setWhy] = useState('');
  const [wrong, setWrong] = useState<string | null>(null);
  const close = async () => {
    const missing = as !== 'done' && why.trim() === '';
    setWrong(missing ? 'Enter the reason in a few words.' : null);
    if (missing) return;
    if ((await save('PUT', `/api/jobs/${jobId}/closed`, { as, why })).ok) router.push('/counter');
  };
  const remove = async () => {
    if ((await save('DELETE', `/api/jobs/${jobId}`)).ok) router.push('/counter');
  };
  return (
    <Sheet
      open
      title={`Close job ${jobId}`}
      description="It leaves the list and stays under Closed jobs, where it can be reopened."
      onClose={onClose}
    >
      <form
        className="grid gap-3"
        onSubmit={(event) => {
          event.preventDefault();
          void close();
        }}
      >
        <Choice
          label="How it ended"
          value={as}
          onChange={(event) => setAs(event.target.value as Closing)}
          options={Object.entries(CLOSING_TEXTS).map(([value, text]) => ({ value, text }))}
        />
        <Field
          label="Reason"
          maxLength={500}
          placeholder={as === 'done' ? 'not needed' : 'too dear, soldered, no answer'}
          value={why}
          error={wrong}
          onChange={(event) => setWhy(event.target.value)}
        />
        <Fault sentence={sentence} />
        <div className="flex justify-end gap-2">
          <span className="mr-auto">
            <Button weight="quiet" disabled={busy} onClick={() => void remove()}>
              Delete empty job
            </Button>
          </span>
          <Button onClick={onClose}>Cancel</Button>
          <Button weight="act" type="submit" disabled={busy}>
            Close job
          </Button>
        </div>
      </form>
    </Sheet>
  );
}

/** Closes a job with how it ended and why, or deletes it where nothing is in it. */
export function CloseJobButton({ jobId }: { jobId: number }) {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button weight="quiet" className="shrink-0" onClick={() => setOpen(true)}>
        Close job…
      </Button>
      {open && <CloseSheet jobId={jobId} onClose={() => setOpen(false)} />}
    </>
  );
}
