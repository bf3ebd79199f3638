'use client';
import { Button } from '../kit/button';

/** Puts the page on paper as it is. */
export function PrintButton() {
  return (
    <Button weight="act" className="no-print" onClick={() => window.print()}>
      Print
    </Button>
  );
}
