import { type ApartQuestion, disambiguate } from '../../../core/machine/models/disambiguate';
import type { Joined } from '../../../core/machine/slots/join-readings';
import type { ModelSlot } from '../../../core/machine/slots/slots-of-reading';
import { type EarlierJob, findEarlierJobs } from '../../../store/job/earlier-jobs';
import { listJobPictures } from '../../../store/job/job-pictures';
import { findReportedModels, summariesOf } from '../../../store/library/models';
import type { Queryable } from '../../../store/queryable';
import { likelyOf } from '../intake/likely-model';
import { slotsFollowing } from '../intake/taken-specifications';
import { reportedNames } from '../job-names';
import type { Pieces } from './pieces';
import type { ReadingsSlice } from './slice';

/** The library's model and the machine's own word on how many slots there are. */
function slotMismatch({ machine }: Joined, model: readonly ModelSlot[] | null): string[] {
  const said = machine?.memory.slotCount ?? null;
  if (said === null || model === null || said === model.length) return [];
  return [`the machine’s report counts ${said} slots, the library’s model has ${model.length}`];
}

/** Readings that may mean several models ask the one thing that tells these apart. */
async function questionOn(db: Queryable, pieces: Pieces): Promise<ApartQuestion | null> {
  const [job, { machine }] = await Promise.all([pieces.job(), pieces.joined()]);
  if (job.modelId !== null || machine === null) return null;
  const ids = await findReportedModels(db, reportedNames(machine));
  return ids.length < 2 ? null : disambiguate((await summariesOf(db, ids)).map(likelyOf));
}

async function earlierOf(db: Queryable, pieces: Pieces): Promise<EarlierJob[]> {
  const { id: jobId, serial, customer } = await pieces.job();
  const { id: customerId, name, phone, email } = customer;
  return findEarlierJobs(db, { jobId, customerId, serial, name, phone, email });
}

export async function readingsSlice(db: Queryable, id: number, pieces: Pieces): Promise<ReadingsSlice> {
  const [readings, pictures, joined, library, earlier, modelQuestion] = await Promise.all([
    pieces.readings(),
    listJobPictures(db, id),
    pieces.joined(),
    pieces.modelSlots(),
    earlierOf(db, pieces),
    questionOn(db, pieces),
  ]);
  return {
    readings,
    pictures,
    joined,
    derived: slotsFollowing(joined, library, readings),
    mismatches: [...joined.warnings, ...slotMismatch(joined, library)],
    modelQuestion,
    earlier,
  };
}
