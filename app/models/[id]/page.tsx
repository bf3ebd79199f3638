import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { Desk } from '@/app/desk';
import { enterPage } from '@/app/enter';
import { idOf } from '@/app/handle';
import { saidHere } from '@/app/said-here';
import { yearsText } from '@/core/machine/limits/years-text';
import { claimOfStored } from '@/service/job/limits/job-claims';
import { showModel } from '@/service/library/library';
import { mayDo } from '@/service/staff/access';
import { ModelSheet } from '@/ui/models/model-sheet';
import { getTranslations } from '@/ui/words/on-the-server';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('models');
  return { title: t('model') };
}

/** One model of the library with everything that stands on it. */
export default async function ModelPage({ params }: { params: Promise<{ id: string }> }) {
  const caller = await enterPage('library.read');
  const page = await showModel(caller, idOf(await params));
  if (page === null) notFound();
  const { id, model, claims, trials, tested, photos, took } = page;
  const { slots, claims: _, trials: _trials, testedParts: _parts, ...fields } = model;
  const words = claims.flatMap(claimOfStored);
  return (
    <Desk caller={caller} here="/models" words={['board', 'intake', 'limits', 'models']}>
      <main id="work" className="max-w-6xl mx-auto px-4 py-4">
        <ModelSheet
          id={id}
          fields={fields}
          years={saidHere(yearsText(model))}
          slots={slots}
          claims={words}
          trials={trials}
          tested={tested}
          photos={photos}
          took={took}
          mayWrite={mayDo(caller, 'library.write')}
        />
      </main>
    </Desk>
  );
}
