import { answer } from '../core/planning/search/answer';
import type { Plan } from '../core/planning/search/plan';
import { loadDemoShop } from '../demo/load-shop';
import { reportText } from '../demo/report';
import { STORIES, type Story } from '../demo/stories';
import { beginFitting, tickStep } from '../service/job/bench/fitting';
import { newJob, saveIntake, saveSlots, takeReadings } from '../service/job/intake/intake';
import { type JobState, wholeJob } from '../service/job/job-state';

import { agreeLimits } from '../service/job/limits/limits';
import { draftOptions } from '../service/job/options/draft-options';
import { takeProof } from '../service/job/proof/proof';
import { signTheProof } from '../service/job/proof/sign-proof';
import { acceptSpoken } from '../service/job/quote/accept';
import { choosePlan, sendQuote, suggestPlan } from '../service/job/quote/quote';
import { changeOrder, placeOrder } from '../service/orders/orders';
import type { Result } from '../service/result';
import { asTrusted, type Caller, type Right } from '../service/staff/access';
import { closePool, pool } from '../store/database';
import { setStation } from '../store/job/jobs';
import { findForSignIn } from '../store/staff/staff';
import { textInput } from './text-input';

const STATION_OF = {
  named: 'intake',
  read: 'limits',
  limits: 'options',
  drafted: 'quote',
  sent: 'quote',
  fitted: 'proof',
} as const;
const ORDER = Object.keys(STATION_OF) as Story['reach'][];

function must<T>(result: Result<T>): T {
  if (!result.ok) throw new Error(`the demo shop could not be played: ${result.sentence}`);
  return result.value;
}

async function state(jobId: number): Promise<JobState> {
  const read = await wholeJob(jobId);
  if (read === null) throw new Error(`job ${jobId} is gone`);
  return read;
}

/** What a good technician would put on the slip: the cheapest that reaches the need, the original beside it, more or, beyond the papers, less. */
function pick(plans: readonly Plan[], needMiB: number): Plan[] {
  const enough = plans.filter((plan) => plan.totalMiB >= needMiB).sort((a, b) => a.priceCents - b.priceCents);
  const calm = enough.find((plan) => plan.care === 'clear' && plan.lane === 'third-party') ?? enough[0];
  const original = enough.find((plan) => plan.lane === 'original' && plan.totalMiB === calm?.totalMiB);
  const more = enough.find((plan) => plan.totalMiB > (calm?.totalMiB ?? 0) && plan.lane === 'third-party');
  const [within] = plans
    .filter((plan) => plan.care === 'clear' && plan.lane === 'third-party' && plan.totalMiB < (calm?.totalMiB ?? 0))
    .sort((a, b) => b.totalMiB - a.totalMiB || a.priceCents - b.priceCents);
  return [calm, original, more ?? within].filter((plan) => plan !== undefined);
}

async function readAndCredit(caller: Caller<Right>, jobId: number, story: Story): Promise<void> {
  if (story.report === null) return;
  const beside = (story.beside ?? []).map(({ name, input }) =>
    typeof input === 'string' ? textInput(name, input) : { name, input },
  );
  const report = textInput('report from the machine', reportText(story.report));
  must(await takeReadings(caller, jobId, [report, ...beside]));
  const { slots, job } = await state(jobId);
  const credited = slots.map((slot) => ({ ...slot, creditCents: story.credits[slot.name] ?? 0 }));
  must(await saveSlots(caller, jobId, { version: job.slotsVersion, slots: credited }));
}

async function fillSlip(caller: Caller<Right>, jobId: number, story: Story): Promise<void> {
  const { jobCase } = await state(jobId);
  if (!jobCase.ok) throw new Error(`the demo job of ${story.customer.name} has gaps`);
  const chosen = pick(answer(jobCase.planCase).plans, (story.needGb ?? 0) * 1024);
  for (const [index, plan] of chosen.entries()) {
    must(await choosePlan(caller, jobId, { place: index + 1, kept: plan.kept, bought: plan.bought }));
  }
  must(await suggestPlan(caller, jobId, 1));
}

/** The report of the machine after the first option was fitted. */
function fittedReport(story: Story, state: JobState): string {
  const promise = state.sent[0]?.snapshot.options[0];
  if (story.report === null || promise === undefined) throw new Error('nothing was fitted');
  const [pattern] = story.report.devices.filter((device) => device.mb !== null);
  const devices = promise.after.map(({ slot, capacityMiB }) => ({ ...pattern, locator: slot, mb: capacityMiB }));
  return reportText({ ...story.report, devices });
}

/** From the customer's yes to the signed proof: the parts ordered and here, every step ticked, the report read. */
async function fitAndProve(caller: Caller<Right>, jobId: number, story: Story): Promise<void> {
  const [option] = (await state(jobId)).sent[0]?.snapshot.options ?? [];
  if (option === undefined) throw new Error('nothing was sent');
  const yes = { place: option.place, signed: story.customer.name, ticked: option.statements ?? [] };
  must(await acceptSpoken(caller, jobId, yes));
  const { wanted } = (await state(jobId)).work;
  for (const seller of new Set(wanted.map(({ sellerId }) => sellerId))) {
    const parts = wanted
      .filter(({ sellerId }) => sellerId === seller)
      .map(({ offerId, quantity }) => ({ job: jobId, offer: offerId, quantity }));
    const order = must(await placeOrder(caller, { seller, parts, note: '' }));
    const { orders } = (await state(jobId)).work;
    for (const { id, quantity } of orders.find((one) => one.id === order.id)?.lines ?? []) {
      must(await changeOrder(caller, order.id, { what: 'arrived', line: id, quantity, note: '' }));
    }
  }
  const { id: fittingId } = must(await beginFitting(caller, jobId));
  const [fitting] = (await state(jobId)).work.fittings;
  for (const { key } of fitting?.steps ?? [])
    must(await tickStep(caller, jobId, fittingId, { what: 'done', step: key }));
  must(await takeProof(caller, jobId, textInput('report after fitting', fittedReport(story, await state(jobId)))));
  const [proof] = (await state(jobId)).work.proofs;
  if (proof === undefined) throw new Error('nothing was proved');
  const signed = { proof: proof.id, depth: 'total-read' as const, loadedMinutes: null };
  const remark = proof.verdict === 'kept' ? '' : 'Runs as far as the machine lets it.';
  must(await signTheProof(caller, jobId, { ...signed, verdict: proof.verdict, remark }));
}

/** Plays one story as the staff would, through the same use cases. */
async function play(caller: Caller<Right>, story: Story): Promise<void> {
  const { id } = must(await newJob(caller));
  const { name, phone, email } = story.customer;
  const needMiB = story.needGb === null ? null : story.needGb * 1024;
  const intake = {
    customerName: name,
    phone,
    email,
    complaint: story.complaint,
    needMiB,
    budgetCents: story.budgetCents,
    ...story.wants,
  };
  must(await saveIntake(caller, id, intake));
  const reached = (reach: Story['reach']) => ORDER.indexOf(story.reach) >= ORDER.indexOf(reach);
  if (reached('read')) await readAndCredit(caller, id, story);
  if (reached('limits')) must(await agreeLimits(caller, id, true));
  if (reached('drafted')) await fillSlip(caller, id, story);
  if (reached('sent')) {
    const options = draftOptions(await state(id)).flatMap((one) => (one.ok ? [one.option] : []));
    const seen = options.map(({ place, totalCents }) => ({ place, totalCents }));
    must(await sendQuote(caller, id, { seen }));
  }
  if (reached('fitted')) await fitAndProve(caller, id, story);
  await setStation(pool(), id, STATION_OF[story.reach]);
}

/** Loads the demo shop into an empty database and plays its jobs. False where a shop is there already. */
export async function loadDemo(now = new Date()): Promise<boolean> {
  if (!(await loadDemoShop(now))) return false;
  const member = await findForSignIn(pool(), 'teo');
  if (member === null) throw new Error('the demo technician is missing');
  const caller = asTrusted({ ...member, counterSeesCost: false });
  for (const story of STORIES) await play(caller, story);
  return true;
}

/** The same in a database named by its URL, which this process forgets again. */
export async function loadDemoAt(url: string): Promise<void> {
  const before = process.env.DATABASE_URL;
  process.env.DATABASE_URL = url;
  await loadDemo();
  await closePool();
  if (before === undefined) delete process.env.DATABASE_URL;
  else process.env.DATABASE_URL = before;
}
