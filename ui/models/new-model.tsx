'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { Button } from '../kit/button';

// Fetched once it is opened: who looks at models adds none.
const NewModelSheet = dynamic(() => import('./new-model-sheet').then((module) => module.NewModelSheet), { ssr: false });

/** Makes a model of a usual board, or as a copy of a sister. */
export function NewModel() {
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button weight="act" onClick={() => setOpen(true)}>
        Add a model
      </Button>
      {open && <NewModelSheet onClose={() => setOpen(false)} />}
    </>
  );
}
