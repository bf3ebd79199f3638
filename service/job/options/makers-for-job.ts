import { widestBounds } from '../../../core/machine/limits/widest-bounds';
import { pool } from '../../../store/database';
import { listMakersFor, type MakerOnMarket } from '../../../store/market/makers-for-planning';
import type { Caller } from '../../staff/access';
import { showSlices } from '../slices/read-slices';

/**
 * Makers of modules that fit a job's machine, of everybody's offers: more than its ladder needs, which leaves out what is
 * beaten. Those with the most offers come first.
 *
 * @returns null: there is no such job; empty: nobody knows what its sockets take, or no offer names a maker
 */
export async function makersForJob(_: Caller<'jobs.read'>, jobId: number): Promise<MakerOnMarket[] | null> {
  const state = await showSlices(jobId, ['limits', 'machine']);
  if (state === null) return null;
  const generations = state.limits.generations?.value ?? [];
  const form = state.limits.form?.value ?? '';
  if (generations.length === 0 || form === '') return [];
  return listMakersFor(pool(), { generations, form, ...widestBounds(state.claims, state.slots) });
}
