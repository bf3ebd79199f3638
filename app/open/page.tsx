import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import { redirect } from 'next/navigation';
import { signInPage } from '@/service/staff/sign-in';
import { LanguageSwitch } from '@/ui/frame/language-switch';
import { LightSwitch } from '@/ui/frame/light-switch';
import { Mark } from '@/ui/frame/mark';
import { OpeningForm } from '@/ui/shop/opening-form';
import { TIME_ZONES } from '@/ui/shop/time-zones';
import { getTranslations } from '@/ui/words/on-the-server';
import { ScreenWords } from '@/ui/words/screen-words';
import { lightOf } from '../light';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('door');
  return { title: t('openShop') };
}

/** Opens an empty database as a shop. Where one is open already there is nothing to do here. */
export default async function OpenPage() {
  const t = await getTranslations('door');
  const { shopName } = await signInPage();
  if (shopName !== null) redirect('/sign-in');
  const light = lightOf(await cookies());
  return (
    <ScreenWords of={['door', 'frame']}>
      <main id="work" className="max-w-4xl mx-auto px-4 py-6 grid gap-5">
        <div className="flex items-center justify-between gap-4">
          <p className="flex items-center gap-2.5 text-xl font-bold wide">
            <Mark size={28} /> Fenbrik
          </p>
          <span className="flex items-center">
            <LanguageSwitch isSignedIn={false} />
            <LightSwitch light={light} />
          </span>
        </div>
        <div>
          <h1 className="text-2xl wide">{t('openShop')}</h1>
          <p className="text-ink-2">{t('openShopHow')}</p>
        </div>
        <OpeningForm timeZones={TIME_ZONES} />
      </main>
    </ScreenWords>
  );
}
