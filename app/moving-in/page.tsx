import type { Metadata } from 'next';
import Link from 'next/link';
import { showMovedIn } from '@/service/library/moving-in';
import { MovedInList } from '@/ui/moving-in/moved-in';
import { MovingIn } from '@/ui/moving-in/moving-in';
import { dayText } from '@/ui/words/amounts';
import { getTranslations } from '@/ui/words/on-the-server';
import { Desk } from '../desk';
import { enterPage } from '../enter';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('moving');
  return { title: t('title') };
}

/** What a former program kept, taken over from its files. */
export default async function MovingInPage() {
  const t = await getTranslations('moving');
  const caller = await enterPage('shop.settings');
  const files = (await showMovedIn(caller)).map(({ at, undoneAt, ...file }) => ({
    ...file,
    on: dayText(at.toISOString().slice(0, 10)),
    undone: undoneAt !== null,
  }));
  return (
    <Desk caller={caller} here="/settings" words={['moving']}>
      <main id="work" className="max-w-5xl mx-auto px-4 py-4 grid grid-cols-[minmax(0,1fr)] gap-4">
        <div className="flex items-baseline gap-5">
          <h1 className="text-xl">{t('title')}</h1>
          <Link href="/settings" className="text-sm underline underline-offset-4">
            {t('settings')}
          </Link>
        </div>
        <p>{t('what')}</p>
        <MovingIn />
        <MovedInList files={files} />
      </main>
    </Desk>
  );
}
