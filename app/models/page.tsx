import type { Metadata } from 'next';
import { yearsText } from '@/core/machine/limits/years-text';
import { memoryWords } from '@/service/job/intake/likely-model';
import { likelyTwins, modelLibrary } from '@/service/library/library';
import { otherShops } from '@/service/library/other-shops';
import { mayDo } from '@/service/staff/access';
import { LibraryTools } from '@/ui/models/library-tools';
import { ModelList } from '@/ui/models/model-list';
import { NewModel } from '@/ui/models/new-model';
import { OtherShops } from '@/ui/models/other-shops';
import { TwinList } from '@/ui/models/twin-list';
import { getTranslations } from '@/ui/words/on-the-server';
import { Desk } from '../desk';
import { enterPage } from '../enter';
import { factsHere, saidHere } from '../said-here';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('models');
  return { title: t('title') };
}

/** The shop's library of machine models. */
export default async function ModelsPage({ searchParams }: { searchParams: Promise<{ find?: string | string[] }> }) {
  const caller = await enterPage('library.read');
  const { find } = await searchParams;
  const wanted = typeof find === 'string' ? find.slice(0, 300) : '';
  const { models, count } = await modelLibrary(caller, wanted);
  const mayWrite = mayDo(caller, 'library.write');
  const twins = mayWrite ? await likelyTwins(caller) : [];
  const listed = models.map((model) => ({
    id: model.id,
    maker: model.maker,
    name: model.name,
    years: saidHere(yearsText(model)),
    note: model.note,
    takes: factsHere(memoryWords(model)),
    board: model.kind === 'board',
    sockets: model.sockets,
    soldered: model.solderedSlots,
  }));
  return (
    <Desk caller={caller} here="/models" words={['limits', 'models', 'offers']}>
      <main id="work" className="max-w-6xl mx-auto px-4 py-4 grid grid-cols-[minmax(0,1fr)] gap-4">
        <LibraryTools count={count} find={wanted} mayWrite={mayWrite} add={mayWrite && <NewModel />} />
        {wanted === '' && <OtherShops shops={await otherShops(caller)} mayTrust={mayDo(caller, 'shop.settings')} />}
        {wanted === '' && <TwinList twins={twins} />}
        <ModelList models={listed} count={count} find={wanted} />
      </main>
    </Desk>
  );
}
