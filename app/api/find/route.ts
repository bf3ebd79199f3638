import { handle } from '@/app/handle';
import { questionInLanguage } from '@/app/job-in-language';
import { factsHere, saidHere } from '@/app/said-here';
import { find, findSchema } from '@/service/job/find';
import { done } from '@/service/result';

/** What a typed line may mean: models, and customers and machines of before. Posted, so that no name stands in an address. */
export const POST = handle('jobs.read', findSchema, async (caller, body) => {
  const { models, question, jobs } = await find(caller, body);
  return done({
    models: models.map((model) => ({ ...model, years: saidHere(model.years), memory: factsHere(model.memory) })),
    question: question === null ? null : questionInLanguage(question, { say: saidHere, sayFacts: factsHere }),
    jobs,
  });
});
