import type { Metadata } from 'next';
import Link from 'next/link';
import { dayText } from '@/core/day-text';
import { showMovedIn } from '@/service/library/moving-in';
import { MovedInList } from '@/ui/moving-in/moved-in';
import { MovingIn } from '@/ui/moving-in/moving-in';
import { Desk } from '../desk';
import { enterPage } from '../enter';

export const metadata: Metadata = { title: 'Moving in' };

/** What a former program kept, taken over from its files. */
export default async function MovingInPage() {
  const caller = await enterPage('shop.settings');
  const files = (await showMovedIn(caller)).map(({ at, undoneAt, ...file }) => ({
    ...file,
    on: dayText(at.toISOString().slice(0, 10)),
    undone: undoneAt !== null,
  }));
  return (
    <Desk caller={caller} here="/settings">
      <main id="work" className="max-w-5xl mx-auto px-4 py-4 grid grid-cols-[minmax(0,1fr)] gap-4">
        <div className="flex items-baseline gap-5">
          <h1 className="text-xl">Moving in</h1>
          <Link href="/settings" className="text-sm underline underline-offset-4">
            Settings
          </Link>
        </div>
        <p>
          Take over what your former program kept. Save it there as CSV (or as a spreadsheet) and choose the file here:
          nothing is kept before you have seen what it brings, and each file can be undone.
        </p>
        <MovingIn />
        <MovedInList files={files} />
      </main>
    </Desk>
  );
}
