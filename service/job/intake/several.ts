import { insideOf, insideOfMachine, machinesRead } from '../../../core/machine/several/machines-read';
import { type KnownGroup, MOST_GROUPS, shareOut } from '../../../core/machine/several/share-out';
import type { JobSlot } from '../../../core/machine/slots/job-slot';
import { isOther } from '../../../core/machine/slots/join-readings';
import { dropGroup, type Group, insertGroup, listGroups, setMachines } from '../../../store/job/groups';
import { listSlots, replaceSlots } from '../../../store/job/job-slots';
import { isAccepted } from '../../../store/job/quote-answers';
import { type KeptReading, listReadings, moveReading, renumberReadings } from '../../../store/job/readings';
import type { Queryable } from '../../../store/queryable';
import { done, fault, type Result } from '../../result';
import type { Caller } from '../../staff/access';
import { changeJob } from '../change-job';
import { joinKept } from '../job-names';

const ACCEPTED = 'The quote for these machines is accepted: open a new job for others.';
const TOO_MANY = `A job holds up to ${MOST_GROUPS} groups of 64 equal machines: open a new job for the others.`;

/** Adds a group of machines that differ from the others: as the first, to be changed on its board. */
export async function addGroup(caller: Caller<'jobs.write'>, jobId: number): Promise<Result<{ id: number }>> {
  return changeJob(caller, jobId, {
    kind: 'group-added',
    ofLead: true,
    needs: [],
    work: async (db, { job, groups }) => {
      if (await isAccepted(db, job.id)) return fault('conflict', ACCEPTED);
      if (groups.length >= MOST_GROUPS) return fault('conflict', TOO_MANY);
      return done({ id: await insertGroup(db, job.id) });
    },
  });
}

/** Removes a group of machines with what was read and chosen for it. The first stays: it has the quote. */
export async function removeGroup(caller: Caller<'jobs.write'>, groupId: number): Promise<Result<{ lead: number }>> {
  return changeJob(caller, groupId, {
    kind: 'group-removed',
    detail: { group: groupId },
    ofLead: true,
    needs: [],
    work: async (db, { job }) => {
      if (await isAccepted(db, job.id)) return fault('conflict', ACCEPTED);
      if (!(await dropGroup(db, groupId)))
        return fault('conflict', 'The first group stays: it has the quote, the orders and the customer’s answer.');
      return done({ lead: job.id });
    },
  });
}

/** What is in the slots of a job's machines; null: nothing is known of them. */
const insideOfSlots = (slots: readonly JobSlot[]): string | null =>
  slots.length === 0
    ? null
    : insideOf(
        slots.map(({ name, module }) => ({
          slot: name,
          capacityMiB: module?.capacityMiB ?? null,
          rateMTs: module?.rateMTs ?? null,
          ranks: module?.ranks ?? null,
        })),
      );

const machineReports = (readings: readonly KeptReading[]): KeptReading[] =>
  readings.filter(({ setAside, result }) => !setAside && (result.machine?.memory.slots.length ?? 0) > 0);

/** A group as it is known: by the reports of its machines, else by its board. */
async function knownGroup(
  db: Queryable,
  { jobId, machines, serials }: Group,
  came: readonly KeptReading[],
): Promise<KnownGroup> {
  const isNew = new Set(came.map(({ id }) => id));
  const reports = machineReports(await listReadings(db, jobId)).filter(({ id }) => !isNew.has(id));
  const first = joinKept(reports).machine;
  const read = [...new Set(reports.map(({ machine }) => machine))];
  const inside = first === null ? insideOfSlots(await listSlots(db, jobId)) : insideOfMachine(first);
  return { jobId, machines, serials, read, inside };
}

/** A group that its reports fill. */
async function beginGroup(db: Queryable, leadId: number): Promise<number> {
  const id = await insertGroup(db, leadId);
  await replaceSlots(db, id, []);
  return id;
}

/** What became of reports that were shared out. */
export interface SharedReports {
  /** jobs of the groups that got any, each with the readings that are to be followed now */
  groups: number[];
  machines: number;
}

/**
 * Shares the reports that came to a job out among its machines: each goes to its own, those that differ from the others fall
 * into groups of equals.
 *
 * @param lead the job that leads its groups, and what its machine calls itself; null: it does not say
 * @param came the readings that are new
 */
export async function shareReports(
  db: Queryable,
  lead: { id: number; modelOf: string | null },
  came: readonly KeptReading[],
): Promise<Result<SharedReports>> {
  const read = machinesRead(
    machineReports(came).map(({ id, sourceName, result }) => ({ id, name: sourceName, reading: result })),
  );
  const others = read.filter(({ model }) => lead.modelOf !== null && model !== null && model !== lead.modelOf);
  if (others.length > 0) {
    const [other] = others;
    return fault(
      'conflict',
      `A report is of a ${other?.model}, not of a ${lead.modelOf}: open a job of its own for it.`,
    );
  }
  const groups = await Promise.all((await listGroups(db, lead.id)).map((group) => knownGroup(db, group, came)));
  const shared = shareOut(read, groups);
  if (shared === null) return fault('conflict', TOO_MANY);
  // What was accepted is for so many machines, and no more.
  const isMore = shared.groups.some(({ machines }, nr) => machines !== groups[nr]?.machines);
  if (isMore && (await isAccepted(db, lead.id))) return fault('conflict', ACCEPTED);
  const ids: number[] = [];
  for (const { jobId, machines, serials } of shared.groups) {
    const id = jobId ?? (await beginGroup(db, lead.id));
    ids.push(id);
    const [serial = '', ...moreSerials] = serials.slice(0, machines);
    await setMachines(db, id, { machines, serial, moreSerials });
  }
  for (const { group, from, to } of shared.renumbered) await renumberReadings(db, ids[group] ?? lead.id, { from, to });
  for (const { readings, group, machine } of shared.shares)
    for (const id of readings) await moveReading(db, id, { jobId: ids[group] ?? lead.id, machine });
  const touched = [...new Set(shared.shares.map(({ group }) => ids[group] ?? lead.id))];
  return done({ groups: touched, machines: shared.shares.length });
}

/** Reports of a job that are of another machine than the one that it is about. */
export function reportsOfOthers(readings: readonly KeptReading[]): KeptReading[] {
  const reports = machineReports(readings).filter(({ machine }) => machine === 1);
  const { machine: here } = joinKept(reports);
  if (here === null) return [];
  return reports.filter(({ result }) => result.machine !== undefined && isOther(here, result.machine));
}
