'use client';
import { buttonLook } from '@/ui/kit/button';

/** A page that broke: what to do, and no internals. */
export default function Broken({ reset }: { reset: () => void }) {
  return (
    <main className="max-w-xl mx-auto px-5 py-20">
      <h1 className="text-2xl">This page could not be made</h1>
      <p className="mt-2 mb-4">The database may not answer just now. What was saved is safe.</p>
      <button type="button" onClick={reset} className={buttonLook('act')}>
        Try again
      </button>
    </main>
  );
}
