import type { Metadata } from 'next';
import { staffList } from '@/service/staff/staff-accounts';
import { PeopleList } from '@/ui/people/people-list';
import { Desk } from '../desk';
import { enterPage } from '../enter';

export const metadata: Metadata = { title: 'People' };

/** Who works here and what they may. */
export default async function PeoplePage() {
  const caller = await enterPage('staff.manage');
  const people = await staffList(caller);
  return (
    <Desk caller={caller} here="/people">
      <main id="work" className="max-w-6xl mx-auto px-4 py-4 grid grid-cols-[minmax(0,1fr)] gap-4">
        <h1 className="text-xl">People</h1>
        <PeopleList people={people} self={caller.id} />
      </main>
    </Desk>
  );
}
