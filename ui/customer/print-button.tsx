'use client';
import type { ReactNode } from 'react';
import { Button } from '../kit/button';

/** Prints the page, or saves it as a file, as the browser does. */
export function PrintButton({ children }: { children: ReactNode }) {
  return <Button onClick={() => window.print()}>{children}</Button>;
}
