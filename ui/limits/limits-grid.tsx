'use client';
import { useState } from 'react';
import { useTranslations } from '#translations';
import type { Claim, SourceKind } from '@/core/machine/limits/limit';
import { SOURCE_KINDS } from '@/core/machine/limits/limit';
import { CLAIM_ROLES, type RankedClaim, wordsOn } from '@/core/machine/limits/resolve-claims';
import { Button } from '../kit/button';
import { LIMIT_ROWS, type LimitRow, limitText, ROLE_WORDS, SOURCE_WORDS } from './limit-words';

/** What one source says on one limit, each word with the sign of what it is worth. */
function Cell({ row, kind, words }: { row: LimitRow; kind: SourceKind; words: RankedClaim[] }) {
  const t = useTranslations('limits');
  if (words.length === 0) return <td className="border-l border-line" />;
  return (
    <td data-column={t(SOURCE_WORDS[kind])} className="px-2 py-1 align-top border-l border-line">
      {words.map(({ role, value, source }) => {
        const { sign } = ROLE_WORDS[role];
        const text = t(ROLE_WORDS[role].text);
        const look = {
          binds: 'font-bold',
          agrees: 'text-ink-2',
          looser: 'text-mind',
          differs: 'text-mind',
          informs: 'text-ink-2 italic',
          outranked: 'text-ink-2 line-through',
        }[role];
        return (
          <span key={`${source.name} ${JSON.stringify(value)}`} title={`${source.name}: ${text}`} className="block">
            <span aria-hidden="true" className={role === 'binds' ? 'text-act' : 'text-ink-2'}>
              {sign}{' '}
            </span>
            <span className={look}>{limitText(t, row.sort, value)}</span>
            <span className="sr-only"> ({text})</span>
          </span>
        );
      })}
    </td>
  );
}

/** What the signs mean, so that the grid reads without help. */
function Signs({ words }: { words: readonly RankedClaim[] }) {
  const t = useTranslations('limits');
  const used = CLAIM_ROLES.filter((role) => words.some((word) => word.role === role));
  return (
    <p className="text-sm text-ink-2 flex flex-wrap gap-x-4">
      {used.map((role) => (
        <span key={role}>
          <span aria-hidden="true" className={role === 'binds' ? 'text-act font-bold' : 'font-bold'}>
            {ROLE_WORDS[role].sign}
          </span>{' '}
          {t(ROLE_WORDS[role].text)}
        </span>
      ))}
    </p>
  );
}

interface LimitsGridProps {
  claims: readonly Claim[];
  /** null: who looks may not decide */
  onPick: ((row: LimitRow) => void) | null;
}

/** Limits that nobody said anything of: those that plans lean on by name, the rest folded. */
function Unknown({ rows, onPick }: { rows: readonly LimitRow[]; onPick: (row: LimitRow) => void }) {
  const t = useTranslations('limits');
  const [open, setOpen] = useState(false);
  const wanted = rows.filter(({ wanted: isWanted }) => isWanted === true);
  const shown = open ? rows : wanted;
  return (
    <div className="flex flex-wrap items-center gap-2 text-sm">
      {shown.length > 0 && <span className="text-ink-2">{t('grid.unknown')}</span>}
      {shown.map((row) => (
        <Button
          key={row.name}
          weight="plain"
          onClick={() => onPick(row)}
          aria-label={`${t('grid.add')}: ${t(row.text)}`}
        >
          <span aria-hidden="true">+</span> {t(row.text)}
        </Button>
      ))}
      {rows.length > wanted.length && (
        <Button weight="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? t('grid.usual') : t('grid.rarer', { count: rows.length - wanted.length })}
        </Button>
      )}
    </div>
  );
}

/** Rows are the limits of which something is known, columns the sources that say it; the word that binds is marked. */
export function LimitsGrid({ claims, onPick }: LimitsGridProps) {
  const t = useTranslations('limits');
  const rows = LIMIT_ROWS.map((row) => ({ row, words: wordsOn(claims, row.name) }));
  const told = rows.filter(({ words }) => words.length > 0);
  const unknown = rows.flatMap(({ row, words }) => (words.length === 0 ? [row] : []));
  const all = told.flatMap(({ words }) => words);
  const kinds: readonly SourceKind[] = SOURCE_KINDS.filter((kind) => all.some(({ source }) => source.kind === kind));
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-1">
      {told.length === 0 && <p className="text-ink-2">{t('grid.none')}</p>}
      {told.length > 0 && (
        <section
          className="overflow-x-auto bg-sheet border border-line"
          aria-label={t('grid.label')}
          // biome-ignore lint/a11y/noNoninteractiveTabindex: a region that scrolls sideways must be reachable by keyboard
          tabIndex={0}
        >
          <table className="stacks w-full text-sm border-collapse">
            <thead>
              <tr className="text-left border-b-2 border-edge">
                <th scope="col" className="px-3 py-2 font-semibold">
                  {t('grid.limit')}
                </th>
                {kinds.map((kind) => (
                  <th
                    key={kind}
                    scope="col"
                    className="px-2 py-2 font-semibold narrow border-l border-line whitespace-nowrap"
                  >
                    {t(SOURCE_WORDS[kind])}
                  </th>
                ))}
                <th scope="col" className="px-2 py-2 border-l border-line">
                  <span className="sr-only">{t('change')}</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {told.map(({ row, words }) => (
                <tr key={row.name} className="border-b border-line last:border-0">
                  <th scope="row" className="px-3 py-1 text-left font-medium align-top whitespace-nowrap">
                    {t(row.text)}
                  </th>
                  {kinds.map((kind) => (
                    <Cell key={kind} row={row} kind={kind} words={words.filter(({ source }) => source.kind === kind)} />
                  ))}
                  <td className="stacks-end px-2 py-0.5 border-l border-line text-right">
                    {onPick !== null && (
                      <Button
                        weight="quiet"
                        onClick={() => onPick(row)}
                        aria-label={`${t('grid.whyLabel')}: ${t(row.text)}`}
                      >
                        {t('grid.why')}
                      </Button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </section>
      )}
      <Signs words={all} />
      {onPick !== null && unknown.length > 0 && <Unknown rows={unknown} onPick={onPick} />}
    </div>
  );
}
