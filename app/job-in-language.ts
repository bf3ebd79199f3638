import type { PageJob } from '@/service/job/view';
import type { StaffLanguage } from '@/words/languages';
import { sentenceIn } from '@/words/sentences';

/**
 * A job as the person at the screen reads it: what Fenbrik says of readings, steps at the bench and points of a proof in their
 * language. What people wrote, names and values stay as they are.
 */
export function jobInLanguage(job: PageJob, language: StaffLanguage): PageJob {
  if (language === 'en') return job;
  const say = (text: string): string => sentenceIn(language, text);
  const { work } = job;
  const labelled = <Fact extends { label: string }>(facts: readonly Fact[]): Fact[] =>
    facts.map((fact) => ({ ...fact, label: say(fact.label) }));
  return {
    ...job,
    readings: job.readings.map((row) => ({
      ...row,
      line: say(row.line),
      warnings: row.warnings.map(say),
      apart: row.apart === null ? null : say(row.apart),
    })),
    readingWarnings: job.readingWarnings.map(say),
    machineFacts: labelled(job.machineFacts),
    slotFacts: Object.fromEntries(
      Object.entries(job.slotFacts).map(([slot, facts]) => [slot, { ...facts, values: labelled(facts.values) }]),
    ),
    work: {
      ...work,
      fitting:
        work.fitting === null
          ? null
          : {
              ...work.fitting,
              steps: work.fitting.steps.map((step) => ({ ...step, text: say(step.text), caution: say(step.caution) })),
            },
      proofs: work.proofs.map((proof) => ({
        ...proof,
        findings: proof.findings.map(({ what, promised, found, note, ...finding }) => ({
          ...finding,
          what: say(what),
          promised: say(promised),
          found: say(found),
          note: say(note),
        })),
      })),
    },
  };
}
