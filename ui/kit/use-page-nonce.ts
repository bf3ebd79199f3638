'use client';
import { setNonce } from 'get-nonce';
import { useEffect } from 'react';

/**
 * Lets the style that Radix writes into the page while a sheet is open carry the page's own nonce, as its content
 * security policy wants. The nonce is that of the first answer, whatever pages were opened since.
 */
export function usePageNonce(): void {
  useEffect(() => {
    const script = document.querySelector<HTMLScriptElement>('script[nonce]');
    if (script?.nonce) setNonce(script.nonce);
  }, []);
}
