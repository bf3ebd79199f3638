import type { Metadata } from 'next';
import { modelLibrary } from '@/service/intake';
import { ModelList } from '@/ui/models/model-list';
import { Desk } from '../desk';
import { enterPage } from '../enter';
import { yearsText } from '../years-text';

export const metadata: Metadata = { title: 'Models' };

/** The shop's library of machine models. */
export default async function ModelsPage() {
  const caller = await enterPage('library.read');
  const models = await modelLibrary();
  const listed = models.map((model) => ({
    id: model.id,
    maker: model.maker,
    name: model.name,
    years: yearsText(model),
    note: model.note,
    takes: `${Array.isArray(model.generations) ? model.generations.join(', ') : '?'} ${typeof model.form === 'string' ? model.form : ''}`,
    sockets: model.sockets,
    soldered: model.solderedSlots,
  }));
  return (
    <Desk caller={caller} here="/models">
      <main id="work" className="max-w-6xl mx-auto px-4 py-4 grid gap-4">
        <h1 className="text-xl">Models we know</h1>
        <ModelList models={listed} />
      </main>
    </Desk>
  );
}
