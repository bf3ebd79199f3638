import { reading } from '../../../store/database';
import { gathering } from '../../../store/gather';
import { lockJob } from '../../../store/job/jobs';
import type { Queryable } from '../../../store/queryable';
import { workOf } from '../bench/job-work';
import { limitsSlice } from './limits-slice';
import { marketSlice } from './market-slice';
import { NoJob, once, readPieces } from './pieces';
import { quoteSlice } from './quote-slice';
import { readingsSlice } from './readings-slice';
import type { Header, JobWith, SliceName, Slices } from './slice';

/** Everything of a job that can be asked for, each read when it is. */
function slicesOf(
  db: Queryable,
  id: number,
): { [Name in SliceName]: () => Promise<Slices[Name]> } & {
  header: () => Promise<Header>;
} {
  const pieces = readPieces(db, id);
  const limits = once(() => limitsSlice(pieces));
  const market = once(() => marketSlice(db, pieces, limits));
  return {
    header: async () => {
      const [shop, job, groups, today] = await Promise.all([
        pieces.shop(),
        pieces.job(),
        pieces.groups(),
        pieces.today(),
      ]);
      return { shop, job, groups, today };
    },
    machine: async () => {
      const [model, slots] = await Promise.all([pieces.model(), pieces.slots()]);
      return { model, slots };
    },
    readings: () => readingsSlice(db, id, pieces),
    limits,
    market,
    chosen: async () => {
      const [draft, current] = await Promise.all([pieces.draft(), pieces.current()]);
      if ((draft?.choices.length ?? 0) > 0 || current !== null) return market();
      return { market: { offers: [], supplies: new Map() }, jobCase: (await limits()).bareCase, factoryOptions: [] };
    },
    quote: () => quoteSlice(db, id, pieces),
    others: async () => {
      const [job, groups] = await Promise.all([pieces.job(), pieces.groups()]);
      const ids = job.leadId === null ? groups.map(({ jobId }) => jobId).filter((one) => one !== id) : [];
      const read = await Promise.all(ids.map((one) => readFrom(db, one, ['quote', 'market'] as const)));
      return { others: read.flatMap((one) => one ?? []) };
    },
    work: async () => ({ work: await workOf(db, id, pieces) }),
    bench: async () => ({ fittings: await pieces.fittings() }),
  };
}

async function readFrom<Name extends SliceName>(
  db: Queryable,
  id: number,
  needs: readonly Name[],
): Promise<JobWith<Name> | null> {
  const slices = slicesOf(db, id);
  // All are waited for, also where one fails: nothing is asked of a connection that somebody else has by then.
  const read = await Promise.allSettled([slices.header(), ...needs.map((name) => slices[name]())]);
  const failed = read.find((one) => one.status === 'rejected');
  if (failed?.reason instanceof NoJob) return null;
  if (failed !== undefined) throw failed.reason;
  return Object.assign({}, ...read.map((one) => (one.status === 'fulfilled' ? one.value : {}))) as JobWith<Name>;
}

/** Reads the named slices of a job within a transaction that changes it, which has it locked from then on; null: there is none. */
export async function lockSlices<Name extends SliceName>(
  db: Queryable,
  id: number,
  needs: readonly Name[],
): Promise<JobWith<Name> | null> {
  if (!(await lockJob(db, id))) return null;
  return readFrom(gathering(db), id, needs);
}

/** Reads the named slices of a job, all as they were at one moment; null: there is no such job. */
export function showSlices<Name extends SliceName>(id: number, needs: readonly Name[]): Promise<JobWith<Name> | null> {
  return reading((db) => readFrom(db, id, needs));
}
