import '@fontsource-variable/archivo/wdth.css';
import './globals.css';
import type { Metadata, Viewport } from 'next';
import { cookies } from 'next/headers';
import type { ReactNode } from 'react';
import { lightOf } from './light';

export const metadata: Metadata = { title: { default: 'Fenbrik', template: '%s · Fenbrik' } };
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  const light = lightOf(await cookies());
  return (
    <html lang="en" data-theme={light}>
      <body>{children}</body>
    </html>
  );
}
