import '@fontsource-variable/archivo/wdth.css';
import './globals.css';
import type { Metadata, Viewport } from 'next';
import localFont from 'next/font/local';
import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
import { screenLanguage } from '@/ui/words/on-the-server';
import { ScreenWords } from '@/ui/words/screen-words';
import { lightOf } from './light';

// What nearly every page is set in is asked for with the page itself, so that nothing is laid out twice. The rest of the
// face comes by the style sheet, where a page has such letters.
const letters = localFont({
  src: '../node_modules/@fontsource-variable/archivo/files/archivo-latin-wdth-normal.woff2',
  variable: '--font-letters',
  weight: '100 900',
  display: 'swap',
  declarations: [{ prop: 'font-stretch', value: '62% 125%' }],
});

export const metadata: Metadata = { title: { default: 'Fenbrik', template: '%s · Fenbrik' } };
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const [light, language] = [lightOf(await cookies()), await screenLanguage()];
  return (
    <html lang={language} data-theme={light ?? undefined} className={letters.variable}>
      <body>
        <ScreenWords of={['frame']}>{children}</ScreenWords>
      </body>
    </html>
  );
}
