import type { Goal, Offer, PlanCase } from '../planning/model/case';
import { claimsOfStandard } from './limits/claims-of-reading';
import type { Claim } from './limits/limit';
import { type Limits, resolveClaims } from './limits/resolve-claims';
import { type Assumption, completeModule, type ModuleGap } from './slots/complete-module';
import type { JobSlot } from './slots/job-slot';

/** Something that must be asked before plans can be made. */
export type Gap =
  | { what: 'slots' }
  | { what: 'generations' }
  | { what: 'form' }
  | { what: 'module'; slot: string; fields: ModuleGap[] };

export interface Assumed {
  slot: string;
  fields: Assumption[];
}

export type JobCase = { ok: true; planCase: PlanCase; assumed: Assumed[] } | { ok: false; gaps: Gap[] };

export interface JobInput {
  name: string;
  currency: string;
  slots: readonly JobSlot[];
  limits: Limits;
  offers: readonly Offer[];
  /** for one machine */
  labourCents: number;
  /** so many equal ones; absent: one */
  machines?: number;
  goal: Goal;
}

/** Claims with what is usual for the generation where nobody says anything that could hold. */
export function withUsual(claims: readonly Claim[]): Claim[] {
  const told = resolveClaims(claims);
  const [generation] = told.generations?.value ?? [];
  if (generation === undefined) return [...claims];
  return [...claims, ...claimsOfStandard(generation).filter(({ limit }) => told[limit] === null)];
}

/** Weighs claims; where nobody says anything, what is usual for the generation stands in. */
export function limitsOfClaims(claims: readonly Claim[]): Limits {
  return resolveClaims(withUsual(claims));
}

/** The case as it would be under other limits; offers, which depend on generation and form, stay as they are. */
export function caseUnder(planCase: PlanCase, limits: Limits): PlanCase {
  const { slots, name, generations, form } = planCase.machine;
  const names = slots.map(({ id }) => id);
  return {
    ...planCase,
    machine: { ...machineOf(name ?? '', names, limits, { generations, form }), slots },
  };
}

/** The machine of the case; what no source tells stays unknown, but for the generation and form it needs. */
function machineOf(
  name: string,
  slots: readonly string[],
  limits: Limits,
  need: { generations: PlanCase['machine']['generations']; form: string },
) {
  return {
    name,
    generations: need.generations,
    form: need.form,
    kinds: limits.kinds?.value ?? [],
    voltagesMv: limits.voltagesMv?.value ?? [],
    fillOrder: limits.fillOrder?.value.filter((id) => slots.includes(id)) ?? null,
    fillRule: limits.fillRule?.value ?? null,
    pairing: limits.pairing?.value ?? 'none',
    unevenChannels: limits.unevenChannels?.value ?? null,
    ratesMTs: limits.ratesMTs?.value ?? [],
    profiles: limits.profiles?.value ?? null,
    cpu: { maxRateMTs: limits.cpuMaxRateMTs?.value ?? null, maxMiB: limits.cpuMaxMiB?.value ?? null },
    rateByLoad: limits.rateByLoad?.value ?? null,
    ceilings: {
      totalMiB: { official: limits.totalMiB?.value ?? null, proven: limits.provenTotalMiB?.value ?? null },
      moduleMiB: {
        official: limits.moduleMiB?.value ?? null,
        proven: limits.provenModuleMiB?.value ?? null,
        failed: limits.failedModuleMiB?.value ?? null,
      },
    },
    maxRanksPerChannel: limits.maxRanksPerChannel?.value ?? null,
    maxDeviceGbit: limits.maxDeviceGbit?.value ?? null,
    deviceWidths: limits.deviceWidths?.value ?? null,
    clearanceMm: limits.clearanceMm?.value ?? null,
    os: { name: 'operating system', visibleMiB: limits.osVisibleMiB?.value ?? null },
  };
}

/**
 * The planning case of a job, or what must be asked first. Limits that nobody knows stay unknown; a module whose
 * capacity or rate is not known stops planning, since guessing it would make the quote a guess.
 */
export function caseOfJob(input: JobInput): JobCase {
  const { limits } = input;
  // A blocked socket takes nothing: to the planner it is not there.
  const slots = input.slots.filter(({ blocked }) => blocked !== true);
  const modules = slots.map((slot) => (slot.module === null ? null : completeModule(slot.module, limits)));
  const generations = limits.generations?.value;
  const form = limits.form?.value;
  const gaps: Gap[] = [
    ...(slots.length === 0 ? [{ what: 'slots' } as const] : []),
    ...(generations === undefined ? [{ what: 'generations' } as const] : []),
    ...(form === undefined ? [{ what: 'form' } as const] : []),
    ...slots.flatMap((slot, index): Gap[] => {
      const completed = modules[index];
      return completed == null || completed.ok ? [] : [{ what: 'module', slot: slot.name, fields: completed.gaps }];
    }),
  ];
  if (gaps.length > 0 || generations === undefined || form === undefined) return { ok: false, gaps };
  const whole = slots.map((_, index) => {
    const completed = modules[index];
    return completed?.ok ? completed.module : null;
  });
  return {
    ok: true,
    assumed: slots.flatMap((slot, index) => {
      const fields = modules[index]?.assumed ?? [];
      return fields.length === 0 ? [] : [{ slot: slot.name, fields }];
    }),
    planCase: {
      fenbrik: 'case/1',
      currency: input.currency,
      machine: {
        ...machineOf(
          input.name,
          slots.map((slot) => slot.name),
          limits,
          { generations, form },
        ),
        slots: slots.map(({ name, channel, bank, maxMiB, soldered }, index) => ({
          id: name,
          channel,
          bank,
          maxMiB,
          soldered: soldered ? (whole[index] ?? null) : null,
        })),
      },
      installed: slots.flatMap((slot, index) => {
        const module = whole[index];
        if (slot.soldered || module == null) return [];
        return [{ slot: slot.name, module, keep: slot.keep, creditCents: slot.creditCents }];
      }),
      offers: [...input.offers],
      labourCents: input.labourCents,
      ...(input.machines !== undefined && input.machines > 1 && { machines: input.machines }),
      goal: input.goal,
    },
  };
}
