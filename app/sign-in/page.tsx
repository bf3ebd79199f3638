import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import Link from 'next/link';
import { signInPage } from '@/service/staff/sign-in';
import { LanguageSwitch } from '@/ui/frame/language-switch';
import { LightSwitch } from '@/ui/frame/light-switch';
import { Mark } from '@/ui/frame/mark';
import { Button } from '@/ui/kit/button';
import { Fault } from '@/ui/kit/fault';
import { Field } from '@/ui/kit/field';
import { getTranslations } from '@/ui/words/on-the-server';
import { ScreenWords } from '@/ui/words/screen-words';
import { lightOf } from '../light';
import { safePath } from '../request-path';

export async function generateMetadata(): Promise<Metadata> {
  const t = await getTranslations('door');
  return { title: t('signIn') };
}

const WRONG = {
  'signed-out': 'wrong.signed-out',
  busy: 'wrong.busy',
  'too-many': 'wrong.too-many',
} as const;
const isWrong = (code: string | undefined): code is keyof typeof WRONG =>
  code !== undefined && Object.hasOwn(WRONG, code);

type Search = Promise<{ next?: string; wrong?: string; name?: string }>;

/** The door: the only page besides a customer's quote that opens without a session. */
export default async function SignInPage({ searchParams }: { searchParams: Search }) {
  const t = await getTranslations('door');
  const { next, wrong, name } = await searchParams;
  const { shopName, demoAccounts } = await signInPage();
  const light = lightOf(await cookies());
  const path = safePath(next);
  const sentence = isWrong(wrong) ? t(WRONG[wrong]) : null;
  return (
    <ScreenWords of={['frame']}>
      <main id="work" className="min-h-dvh grid md:grid-cols-[minmax(0,1fr)_minmax(0,1.15fr)]">
        <section className="px-8 py-10 flex flex-col justify-center max-w-md w-full mx-auto gap-5">
          <div>
            <p className="flex items-center gap-2.5 text-2xl font-bold wide">
              <Mark size={34} /> Fenbrik
            </p>
            <h1 className="text-lg mt-3">{shopName ?? t('notSetUp')}</h1>
            {shopName === null && (
              <p className="mt-2">
                {t.rich('openWithCode', {
                  e0: (words) => (
                    <Link href="/open" className="underline underline-offset-4">
                      {words}
                    </Link>
                  ),
                })}
              </p>
            )}
          </div>
          <form action="/api/sign-in" method="post" className="grid gap-3">
            <input type="hidden" name="next" value={path} />
            <Field label={t('name')} name="name" defaultValue={name ?? ''} autoComplete="username" required />
            <Field label={t('password')} name="password" type="password" autoComplete="current-password" required />
            <Fault sentence={sentence} />
            <Button weight="act" type="submit">
              {t('signIn')}
            </Button>
          </form>
          <span className="flex items-center">
            <LanguageSwitch isSignedIn={false} />
            <LightSwitch light={light} />
          </span>
        </section>
        <section className="bg-board text-board-ink px-8 py-10 flex flex-col justify-center gap-6">
          <p className="text-3xl leading-10 font-semibold wide max-w-lg text-balance">{t('motto')}</p>
          {demoAccounts.length > 0 && (
            <div className="max-w-lg">
              <h2 className="text-base mb-2">{t('demoSignIn')}</h2>
              <ul className="grid gap-2">
                {demoAccounts.map((account) => (
                  <li key={account.signIn}>
                    <form action="/api/sign-in" method="post">
                      <input type="hidden" name="next" value={path} />
                      <input type="hidden" name="name" value={account.signIn} />
                      <input type="hidden" name="password" value={account.password} />
                      <button
                        type="submit"
                        className="w-full text-left border border-board-ink/60 rounded-notch px-4 py-2.5 hover:bg-board-ink hover:text-board cursor-pointer"
                      >
                        <span className="font-semibold">{account.name}</span>, {account.role}
                        <span className="block text-sm">
                          {account.signIn} / {account.password}
                        </span>
                      </button>
                    </form>
                  </li>
                ))}
              </ul>
              <p className="mt-4">
                <Link href="/own-shop" className="font-semibold underline underline-offset-4">
                  {t('ownShop')}
                </Link>
              </p>
            </div>
          )}
        </section>
      </main>
    </ScreenWords>
  );
}
