'use client';
import dynamic from 'next/dynamic';
import { useState } from 'react';
import { useTranslations } from '#translations';
import { Button } from '../kit/button';

// Fetched once it is opened: who looks at models adds none.
const NewModelSheet = dynamic(() => import('./new-model-sheet').then((module) => module.NewModelSheet), { ssr: false });

/** Makes a model of a usual board, or as a copy of a sister. */
export function NewModel() {
  const t = useTranslations('models');
  const [open, setOpen] = useState(false);
  return (
    <>
      <Button weight="act" onClick={() => setOpen(true)}>
        {t('new.title')}
      </Button>
      {open && <NewModelSheet onClose={() => setOpen(false)} />}
    </>
  );
}
