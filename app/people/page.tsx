import type { Metadata } from 'next';
import { staffList } from '@/service/staff/staff-accounts';
import { PeopleList } from '@/ui/people/people-list';
import { getTranslations } from '@/ui/words/on-the-server';
import { Desk } from '../desk';
import { enterPage } from '../enter';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('staff');
  return { title: t('title') };
}

/** Who works here and what they may. */
export default async function PeoplePage() {
  const t = await getTranslations('staff');
  const caller = await enterPage('staff.manage');
  const people = await staffList(caller);
  return (
    <Desk caller={caller} here="/people" words={['staff']}>
      <main id="work" className="max-w-6xl mx-auto px-4 py-4 grid grid-cols-[minmax(0,1fr)] gap-4">
        <h1 className="text-xl">{t('title')}</h1>
        <PeopleList people={people} self={caller.id} />
      </main>
    </Desk>
  );
}
