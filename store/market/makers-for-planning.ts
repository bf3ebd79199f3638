import { many } from '../database';
import type { Queryable } from '../queryable';
import type { SocketWish } from './offers-for-planning';

/** A maker of modules, and how many offers there are of it. */
export interface MakerOnMarket {
  maker: string;
  offers: number;
}

/** So many makers are listed. */
const LISTED = 200;

/** Makers of what goes into a machine's sockets, whatever their names' case, those with the most offers first. */
export async function listMakersFor(
  db: Queryable,
  wish: Pick<SocketWish, 'generations' | 'form' | 'kinds' | 'mostMiB'>,
): Promise<MakerOnMarket[]> {
  return many<MakerOnMarket & Record<string, unknown>>(
    db,
    `select min(maker) as maker, count(*)::integer as offers from offer
     where spec_id = any(array(
         select spec.id from module_spec as spec join module_family as family on family.id = family_id
         where generation = any($1) and form = $2 and ($3::text[] is null or buffering || ' ' || ecc = any($3))
           and ($4::bigint is null or capacity_mib <= $4)
       ))
       and withdrawn_at is null and cost_cents is not null and stock is distinct from 0 and not for_models and job_id is null
       and maker <> ''
     group by lower(maker) order by offers desc, maker limit ${LISTED}`,
    [
      [...wish.generations],
      wish.form,
      wish.kinds?.map(({ buffering, ecc }) => `${buffering} ${ecc}`) ?? null,
      wish.mostMiB,
    ],
  );
}
