'use client';
import { useState } from 'react';
import { capacityText } from '@/core/memory/capacity';
import { moneyText } from '@/core/pricing/money-text';
import { useJob } from '../job/job-context';
import { Button, buttonLook } from '../kit/button';

function CopyLink({ path }: { path: string }) {
  const [copied, setCopied] = useState(false);
  const copy = async () => {
    const link = new URL(path, window.location.href).href;
    await navigator.clipboard.writeText(link).then(
      () => setCopied(true),
      () => window.prompt('The customer’s link', link),
    );
  };
  return <Button onClick={copy}>{copied ? 'Link copied' : 'Copy the link'}</Button>;
}

/** What went out: number, totals, the customer's page and paper. A sent version never changes. */
export function SentVersions() {
  const { job } = useJob();
  if (job.sent.length === 0) return null;
  return (
    <section aria-label="Sent versions" className="grid gap-2">
      <h2 className="text-base">Sent</h2>
      {job.sent.map((version) => (
        <div
          key={version.number}
          className={`bg-sheet border px-4 py-2.5 flex flex-wrap items-center gap-x-4 gap-y-2 ${version.state === 'sent' ? 'border-edge' : 'border-line'}`}
        >
          <div className="flex-1 min-w-60">
            <p className="font-semibold">
              {version.number}
              {version.state === 'replaced' && (
                <span className="font-normal text-ink-2"> · replaced by a later one</span>
              )}
            </p>
            <p className="text-sm text-ink-2">
              {version.sentOn}
              {version.sentBy !== null && `, by ${version.sentBy}`}; holds until {version.validUntil} ·{' '}
              {version.options
                .map((option) => `${capacityText(option.totalMiB)} ${moneyText(option.totalCents, job.currency)}`)
                .join(' · ')}
            </p>
          </div>
          <a href={`/q/${version.token}`} target="_blank" rel="noreferrer" className={buttonLook('plain')}>
            Customer’s page
          </a>
          <a href={`/q/${version.token}/pdf`} target="_blank" rel="noreferrer" className={buttonLook('plain')}>
            PDF
          </a>
          <CopyLink path={`/q/${version.token}`} />
        </div>
      ))}
    </section>
  );
}
