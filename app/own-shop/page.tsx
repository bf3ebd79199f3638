import type { Metadata } from 'next';
import { cookies } from 'next/headers';
import Link from 'next/link';
import { signInPage } from '@/service/staff/sign-in';
import { LightSwitch } from '@/ui/frame/light-switch';
import { Mark } from '@/ui/frame/mark';
import { lightOf } from '../light';

export const metadata: Metadata = { title: 'Set up your own shop' };

const STEPS = [
  { what: 'Stop the demo', how: 'Press Ctrl-C in the terminal in which it runs.' },
  {
    what: 'Start with an empty shop',
    how: 'It gets a database of its own, beside the demo.',
    line: 'FENBRIK_DEMO=off npm start',
  },
  { what: 'Open it', how: 'Open the address that the terminal prints and enter the code beside it.' },
] as const;

/** From the demo shop to a shop of one's own. The demo stays as it is. */
export default async function OwnShopPage() {
  const light = lightOf(await cookies());
  const { shopName } = await signInPage();
  return (
    <main id="work" className="max-w-3xl mx-auto px-4 py-6 grid gap-5">
      <div className="flex items-center justify-between gap-4">
        <Link href="/sign-in" className="flex items-center gap-2.5 text-xl font-bold wide">
          <Mark size={28} /> Fenbrik
        </Link>
        <LightSwitch light={light} />
      </div>
      <h1 className="text-2xl wide">Set up your own shop</h1>
      <ol className="grid gap-px bg-line border border-line">
        {STEPS.map((step, nr) => (
          <li key={step.what} className="bg-sheet px-4 py-3 grid grid-cols-[2rem_minmax(0,1fr)] gap-x-2">
            <span className="text-xl font-bold wide text-ink-2">{nr + 1}</span>
            <div>
              <h2 className="text-base">{step.what}</h2>
              <p>{step.how}</p>
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
        {shopName ?? 'The demo shop'} stays as it is: <code>FENBRIK_DEMO=on npm start</code> shows it again. Once your
        shop is open, <code>npm start</code> starts yours. Where a database server is given (<code>DATABASE_URL</code>),
        name an empty database there.
      </p>
    </main>
  );
}
