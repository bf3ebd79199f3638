import { showJob } from '../service/job/job-state';
import { READER } from './reader';

/** The unguessable part of the link to a job's sent quote, as staff see it. */
export async function jobLink(jobId: number): Promise<string> {
  const state = await showJob(READER, jobId);
  const quote = state?.sent.find((one) => one.state === 'sent');
  const token = quote === undefined ? null : state?.links.get(quote.id)?.token;
  if (token == null) throw new Error(`job ${jobId} has no link`);
  return token;
}
