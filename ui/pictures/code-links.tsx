'use client';
import Link from 'next/link';
import { useEffect, useState } from 'react';
import { callOnce } from '../client/session-guard';
import { buttonLook } from '../kit/button';

/** A code of the shop's own, and what it opens. */
interface Opens {
  path: string;
  text: string;
}

/** Codes that are a job's or a quote's own open it. */
export function CodeLinks({ codes }: { codes: readonly string[] }) {
  const [found, setFound] = useState<Opens[]>([]);
  const all = codes.join('\n');
  useEffect(() => {
    let stale = false;
    const ask = async () => {
      const answers = await Promise.all(
        all
          .split('\n')
          .filter((code) => code !== '')
          .map((text) => callOnce<Opens | null>('POST', '/api/codes', { text })),
      );
      if (stale) return;
      const opens = answers.flatMap((answer) => (answer.ok && answer.value !== null ? [answer.value] : []));
      setFound(opens.filter(({ path }, at) => opens.findIndex((one) => one.path === path) === at));
    };
    void ask();
    return () => {
      stale = true;
    };
  }, [all]);
  if (found.length === 0) return null;
  return (
    <div className="flex flex-wrap gap-2">
      {found.map(({ path, text }) => (
        <Link key={path} href={path} className={buttonLook('act')}>
          {text}
        </Link>
      ))}
    </div>
  );
}
