import type { Claim } from '@/core/machine/limits/limit';
import { type Limits, onlyInforms, wordsOn } from '@/core/machine/limits/resolve-claims';
import { totalVerdict, type Verdict } from '@/core/machine/limits/verdict';
import type { JobSlot } from '@/core/machine/slots/job-slot';
import type { StaffWords } from '@/words/staff-words';
import { capacityText } from '../words/amounts';
import { SOURCE_WORDS } from './limit-words';
import { verdictText } from './verdict-words';

/** One thing that ends a capacity, as it stands on a ruler. */
export interface RulerRow {
  label: string;
  mib: number;
  /** whose word it is */
  by: string;
  look: 'binds' | 'paper' | 'guess' | 'proven' | 'failed';
}

export interface Ruler {
  rows: RulerRow[];
  /** what is in the machine today, MiB */
  todayMiB: number;
  sentence: string;
}

/** Everything that ends the total, the tightest first, with what was seen to work. */
export function totalRuler(
  t: StaffWords<'limits'>,
  limits: Limits,
  claims: readonly Claim[],
  slots: readonly JobSlot[],
): Ruler {
  const verdict: Verdict = totalVerdict(limits, slots);
  const rows: RulerRow[] = verdict.bounds.map(({ who, mib, by }, index) => ({
    label: t(`bounds.${who}`),
    mib,
    by,
    look: index === 0 ? 'binds' : 'paper',
  }));
  for (const word of wordsOn(claims, 'totalMiB')) {
    if (word.role === 'informs')
      rows.push({ label: t('ruler.guess'), mib: Number(word.value), by: word.source.name, look: 'guess' });
  }
  const proven = limits.provenTotalMiB;
  if (proven !== null)
    rows.push({ label: t('ruler.tested'), mib: proven.value, by: proven.source.name, look: 'proven' });
  const todayMiB = slots.reduce((sum, slot) => sum + (slot.module?.capacityMiB ?? 0), 0);
  return { rows, todayMiB, sentence: verdictText(t, verdict) };
}

/** What ends the size of one module. */
export function moduleRuler(
  t: StaffWords<'limits'>,
  limits: Limits,
  claims: readonly Claim[],
  slots: readonly JobSlot[],
): Ruler {
  const rows: RulerRow[] = wordsOn(claims, 'moduleMiB').map((word) => ({
    label: t(SOURCE_WORDS[word.source.kind]),
    mib: Number(word.value),
    by: word.source.name,
    look: word.role === 'binds' ? 'binds' : onlyInforms(word) ? 'guess' : 'paper',
  }));
  const proven = limits.provenModuleMiB;
  if (proven !== null)
    rows.push({ label: t('ruler.tested'), mib: proven.value, by: proven.source.name, look: 'proven' });
  for (const mib of limits.failedModuleMiB?.value ?? []) {
    rows.push({ label: t('ruler.failed'), mib, by: limits.failedModuleMiB?.source.name ?? '', look: 'failed' });
  }
  const sockets = slots.filter(({ soldered }) => !soldered);
  const largest = Math.max(0, ...sockets.map(({ module }) => module?.capacityMiB ?? 0));
  const [binding] = rows.filter(({ look }) => look === 'binds');
  const above = proven !== null && binding !== undefined && proven.value > binding.mib;
  const sentence =
    binding === undefined
      ? t('ruler.noModule')
      : t('ruler.by', {
          mib: capacityText(binding.mib),
          by: binding.by,
          value: above ? t('ruler.above', { value: capacityText(proven.value), name: proven.source.name }) : '',
        });
  return { rows, todayMiB: largest, sentence };
}
