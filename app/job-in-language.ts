import type { Source } from '@/core/machine/limits/limit';
import type { ApartQuestion } from '@/core/machine/models/disambiguate';
import type { PageJob } from '@/service/job/view';
import type { StaffLanguage } from '@/words/languages';
import { factsIn, sentenceIn } from '@/words/sentences';

/** What tells likely models apart, with each answer and what it means for memory. */
export const questionInLanguage = (
  { text, answers }: ApartQuestion,
  { say, sayFacts }: Record<'say' | 'sayFacts', (text: string) => string>,
): ApartQuestion => ({
  text: say(text),
  answers: answers.map(({ id, text: answer, memory }) => ({ id, text: sayFacts(answer), memory: sayFacts(memory) })),
});

/**
 * A job as the person at the screen reads it: what Fenbrik says of readings, steps at the bench and points of a proof in their
 * language. What people wrote, names and values stay as they are.
 */
export function jobInLanguage(job: PageJob, language: StaffLanguage): PageJob {
  if (language === 'en') return job;
  const say = (text: string): string => sentenceIn(language, text);
  const { work } = job;
  /** Names that people gave stay as they are: no catalogue has them. */
  const toldSource = <Named extends { source: Source }>(one: Named): Named => ({
    ...one,
    source: { ...one.source, name: say(one.source.name) },
  });
  const labelled = <Fact extends { label: string }>(facts: readonly Fact[]): Fact[] =>
    facts.map((fact) => ({ ...fact, label: say(fact.label) }));
  return {
    ...job,
    needs: {
      ...job.needs,
      uses: job.needs.uses.map((need) => ({ ...need, text: say(need.use), reason: say(need.reason) })),
    },
    claims: job.claims.map(toldSource),
    limits: Object.fromEntries(
      Object.entries(job.limits).map(([name, one]) => [name, one === null ? null : toldSource(one)]),
    ) as PageJob['limits'],
    trials: job.trials.map((trial) => ({ ...trial, note: say(trial.note) })),
    modelQuestion:
      job.modelQuestion === null
        ? null
        : questionInLanguage(job.modelQuestion, { say, sayFacts: (facts) => factsIn(language, facts) }),
    readings: job.readings.map((row) => ({
      ...row,
      name: say(row.name),
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
