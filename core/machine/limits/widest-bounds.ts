import type { Kind } from '../../memory/module';
import type { JobSlot } from '../slots/job-slot';
import type { Claim } from './limit';

/** What a machine takes if every source is right that says most; null: no source says anything. */
export interface WidestBounds {
  kinds: Kind[] | null;
  /** largest module, MiB */
  mostMiB: number | null;
}

/**
 * The widest reading of what is said of kinds and module sizes, so that whatever is decided between the sources, what
 * it allows was looked at.
 */
export function widestBounds(claims: readonly Claim[], slots: readonly JobSlot[]): WidestBounds {
  const kinds = claims.flatMap((claim) => (claim.limit === 'kinds' ? claim.value : []));
  const told = claims.some(({ limit }) => limit === 'moduleMiB');
  const sizes = [
    ...claims.flatMap((claim) =>
      claim.limit === 'moduleMiB' || claim.limit === 'provenModuleMiB' ? [claim.value] : [],
    ),
    ...slots.flatMap(({ module }) => (module?.capacityMiB == null ? [] : [module.capacityMiB])),
  ];
  const once = new Map(kinds.map((kind) => [`${kind.buffering} ${kind.ecc}`, kind]));
  return { kinds: kinds.length === 0 ? null : [...once.values()], mostMiB: told ? Math.max(...sizes) : null };
}
