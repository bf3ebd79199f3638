import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import Link from 'next/link';
import { signInPage } from '@/service/staff/sign-in';
import { LanguageSwitch } from '@/ui/frame/language-switch';
import { LightSwitch } from '@/ui/frame/light-switch';
import { Mark } from '@/ui/frame/mark';
import { getTranslations } from '@/ui/words/on-the-server';
import { ScreenWords } from '@/ui/words/screen-words';
import { lightOf } from '../light';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('door');
  return { title: t('ownShop') };
}

const STEPS = [
  { what: 'steps.stop.what', how: 'steps.stop.how' },
  {
    what: 'steps.start.what',
    how: 'steps.start.how',
    line: 'FENBRIK_DEMO=off npm start',
  },
  { what: 'steps.open.what', how: 'steps.open.how' },
] as const;

/** From the demo shop to a shop of one's own. The demo stays as it is. */
export default async function OwnShopPage() {
  const t = await getTranslations('door');
  const light = lightOf(await cookies());
  const { shopName } = await signInPage();
  return (
    <ScreenWords of={['frame']}>
      <main id="work" className="max-w-3xl mx-auto px-4 py-6 grid gap-5">
        <div className="flex items-center justify-between gap-4">
          <Link href="/sign-in" className="flex items-center gap-2.5 text-xl font-bold wide">
            <Mark size={28} /> Fenbrik
          </Link>
          <span className="flex items-center">
            <LanguageSwitch isSignedIn={false} />
            <LightSwitch light={light} />
          </span>
        </div>
        <h1 className="text-2xl wide">{t('ownShop')}</h1>
        <ol className="grid gap-px bg-line border border-line">
          {STEPS.map((step, nr) => (
            <li key={step.what} className="bg-sheet px-4 py-3 grid grid-cols-[2rem_minmax(0,1fr)] gap-x-2">
              <span className="text-xl font-bold wide text-ink-2">{nr + 1}</span>
              <div>
                <h2 className="text-base">{t(step.what)}</h2>
                <p>{t(step.how)}</p>
                {'line' in step && (
                  <p className="mt-2">
                    <code className="bg-sunk px-2 py-1 select-all">{step.line}</code>
                  </p>
                )}
              </div>
            </li>
          ))}
        </ol>
        <p className="text-ink-2">
          {t.rich('demoStays', {
            value: shopName ?? t('demoShop'),
            e0: () => <code>FENBRIK_DEMO=on npm start</code>,
            e1: () => <code>npm start</code>,
            e2: () => <code>DATABASE_URL</code>,
          })}
        </p>
      </main>
    </ScreenWords>
  );
}
