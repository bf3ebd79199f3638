import { jobSlotsSchema } from '../../../core/machine/slots/job-slot';
import { isOther, type Joined } from '../../../core/machine/slots/join-readings';
import { keepTyped } from '../../../core/machine/slots/slots-of-job';
import { replaceSlots } from '../../../store/job/job-slots';
import { patchIntake, setLimitsAgreed, setModel } from '../../../store/job/jobs';
import { listReadings } from '../../../store/job/readings';
import { findReportedModels, getModel, listModelSlots, type Model } from '../../../store/library/models';
import type { Queryable } from '../../../store/queryable';
import { done, fault, type Result } from '../../result';
import { joinKept, reportedNames } from '../job-names';
import { lockSlices } from '../slices/read-slices';
import type { JobWith } from '../slices/slice';
import { shareReports } from './several';
import { slotsFollowing } from './taken-specifications';

/** The library's model of a machine that was read: by its product name, else by its board's. */
async function modelOf(db: Queryable, { machine }: Joined): Promise<Model | null> {
  const [only, ...others] = machine === null ? [] : await findReportedModels(db, reportedNames(machine));
  return only === undefined || others.length > 0 ? null : getModel(db, only);
}

/**
 * Brings a job's machine and slots to what its readings come to now. What people typed stays, unless the readings are
 * of another machine than before; a model that was picked by hand stays where the library does not know better.
 */
export async function applyReadings(
  db: Queryable,
  state: JobWith<'readings' | 'machine'>,
): Promise<Result<{ model: Model | null }>> {
  const { job } = state;
  const readings = await listReadings(db, job.id);
  const joined = joinKept(readings);
  const { machine } = joined;
  const another = machine !== null && state.joined.machine !== null && isOther(machine, state.joined.machine);
  const model = (await modelOf(db, joined)) ?? (another ? null : state.model);
  const derived = slotsFollowing(joined, model === null ? null : await listModelSlots(db, model.id), readings);
  const next = derived.map(({ slot }) => slot);
  const slots = another
    ? next
    : keepTyped(
        next,
        state.slots,
        state.derived.map(({ slot }) => slot),
      );
  if (!jobSlotsSchema.safeParse(slots).success) {
    return fault('bad-input', 'The report’s slots contradict each other or are over 64: type them on the board.');
  }
  if (machine !== null && joined.machineObservations.model !== undefined) {
    await patchIntake(db, job, {
      machineMaker: (model?.maker ?? machine.maker ?? machine.board.maker ?? '').slice(0, 120),
      machineName: (model?.name ?? machine.model ?? machine.board.model ?? '').slice(0, 160),
      serial: (machine.serial ?? job.serial).slice(0, 120),
    });
  }
  await setModel(db, job.id, model?.id ?? null);
  await replaceSlots(db, job.id, slots);
  await setLimitsAgreed(db, job.id, false);
  return done({ model });
}

/**
 * Shares new reports out among the machines of a job that has several, and brings every group that got any to what its reports
 * come to now.
 *
 * @param ids the readings that are new
 * @returns the model of the group at hand, and how many machines the reports are of
 */
export async function followSeveral(
  db: Queryable,
  state: JobWith<'readings' | 'machine'>,
  ids: readonly number[],
): Promise<Result<{ model: Model | null; machines: number }>> {
  const { job } = state;
  const leadId = job.leadId ?? job.id;
  const came = (await listReadings(db, job.id)).filter(({ id }) => ids.includes(id));
  const lead = joinKept((await listReadings(db, leadId)).filter(({ id }) => !ids.includes(id)));
  const shared = await shareReports(db, { id: leadId, modelOf: lead.machine?.model ?? null }, came);
  if (!shared.ok) return shared;
  const { groups, machines } = shared.value;
  const own = await applyReadings(db, state);
  if (!own.ok) return own;
  for (const group of groups.filter((id) => id !== job.id)) {
    const other = await lockSlices(db, group, ['readings', 'machine'] as const);
    if (other === null) continue;
    const followed = await applyReadings(db, other);
    if (!followed.ok) return followed;
  }
  return done({ model: own.value.model, machines });
}
