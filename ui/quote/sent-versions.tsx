'use client';
import { useState } from 'react';
import { capacityText } from '@/core/memory/capacity';
import { moneyText } from '@/core/pricing/money-text';
import { dayText } from '@/core/quoting/day-text';
import { useJob } from '../job/job-context';
import type { SentVersion } from '../job/job-view';
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

/** How a version stands, in a word or two. */
function Standing({ version: { standing, openedOn, answer, validUntil } }: { version: SentVersion }) {
  const said = answer === null ? null : dayText(answer.on);
  if (standing === 'accepted' && answer?.kind === 'accepted')
    return (
      <span className="text-good">
        {' '}
        · ✓ option {answer.place} accepted on {said}
      </span>
    );
  const words = {
    accepted: '',
    declined: `declined on ${said}`,
    lapsed: `lapsed on ${dayText(validUntil)}`,
    open: openedOn === null ? 'not opened yet' : `opened on ${dayText(openedOn)}`,
    replaced: 'replaced by a later one',
  }[standing];
  return <span className="font-normal text-ink-2"> · {words}</span>;
}

/** What the customer said beside yes or no. */
function Said({ version: { answer, questions } }: { version: SentVersion }) {
  const isSilent = questions.length === 0 && (answer === null || (answer.kind === 'declined' && answer.words === ''));
  if (isSilent) return null;
  return (
    <ul className="text-sm mt-1 grid gap-0.5">
      {answer?.kind === 'accepted' && (
        <li>
          Signed “{answer.signed}”
          {answer.ticked.length > 0 && `, having agreed to ${answer.ticked.length === 1 ? 'this' : 'these'}: `}
          {answer.ticked.map((statement) => `“${statement}”`).join(' ')}
        </li>
      )}
      {answer?.kind === 'declined' && answer.words !== '' && <li>Why not: “{answer.words}”</li>}
      {questions.map(({ words, on }, nr) => (
        // biome-ignore lint/suspicious/noArrayIndexKey: what was asked stays in its order
        <li key={nr}>
          <span className="text-mind font-semibold">Asked on {dayText(on)}:</span> “{words}”
        </li>
      ))}
    </ul>
  );
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
              <Standing version={version} />
            </p>
            <p className="text-sm text-ink-2">
              {dayText(version.sentOn)}
              {version.sentBy !== null && `, by ${version.sentBy}`}; holds until {dayText(version.validUntil)} ·{' '}
              {version.options
                .map((option) => `${capacityText(option.totalMiB)} ${moneyText(option.totalCents, job.currency)}`)
                .join(' · ')}
            </p>
            <Said version={version} />
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
