import { limitsOfClaims, withUsual } from '../../../core/machine/case-of-job';
import { claimsOfArray, claimsOfModules } from '../../../core/machine/limits/claims-of-reading';
import { rateBelowRatings, totalPerSocket } from '../../../core/machine/limits/derived-claims';
import { claimsOfTrials, type Trial } from '../../../core/machine/limits/evidence';
import { asClaim, type Claim } from '../../../core/machine/limits/limit';
import { type CpuChoice, chosenCpu, claimsOfCpu } from '../../../core/machine/models/model';
import type { JobSlot } from '../../../core/machine/slots/job-slot';
import type { Joined } from '../../../core/machine/slots/join-readings';
import { BITS_32_MIB, type SystemNeed } from '../../../core/machine/suggest-target';
import type { StoredClaim } from '../../../store/job/claims';
import type { Decision, Job } from '../../../store/job/jobs';
import type { KeptReading } from '../../../store/job/readings';
import type { Model } from '../../../store/library/models';
import { claimsOfSpecifications } from '../intake/taken-specifications';

/** A claim as it is stored, as far as it is one; another shop's is named as theirs, and only informs where they are not trusted. */
export function claimOfStored(stored: StoredClaim): Claim[] {
  const { limitName, value, sourceKind, sourceName, note, notedOn, enteredBy, shop, trusted } = stored;
  const claim = asClaim(limitName, value, {
    kind: sourceKind,
    name: shop === null ? sourceName : `${sourceName}, told by ${shop}`,
    ...(!trusted && { informs: true as const }),
    on: notedOn,
    by: enteredBy,
    ...(note === '' ? {} : { note }),
  });
  return claim === null ? [] : [claim];
}

function claimOfDecision({ limitName, value, by, on, why }: Decision): Claim[] {
  const claim = asClaim(limitName, value, { kind: 'technician', name: by, on, ...(why === '' ? {} : { note: why }) });
  return claim === null ? [] : [claim];
}

/** Which CPU the machine has, as far as it is known. */
export interface JobCpu {
  /** as a person or a reading calls it; empty: nobody says */
  told: string;
  chosen: CpuChoice | null;
  choices: readonly CpuChoice[];
}

function cpuOf(job: Job, model: Model | null, joined: Joined): JobCpu {
  const read = joined.machineObservations.cpu?.[0]?.value;
  const told = job.cpu !== '' ? job.cpu : typeof read === 'string' ? read : '';
  const choices = model?.cpus ?? [];
  return { told, chosen: chosenCpu(choices, told), choices };
}

/** What the CPU's data say; while nobody says which it is, what each that it may be says, so that the tightest holds. */
function claimsOfJobCpu({ told, chosen, choices }: JobCpu): Claim[] {
  if (chosen !== null) return claimsOfCpu(chosen);
  return told === '' ? choices.flatMap(claimsOfCpu) : [];
}

/** What the readings that were joined say of the board and of the rate it runs, each in its own name. */
function claimsOfReadings(readings: readonly KeptReading[], joined: Joined): Claim[] {
  const apart = new Set(joined.apart.map(({ id }) => id));
  return readings
    .filter(({ id, setAside }) => !setAside && !apart.has(id))
    .flatMap(({ sourceName, result }) => {
      const memory = result.machine?.memory;
      if (memory === undefined) return [];
      return [
        ...claimsOfArray(memory.maxCapacityMiB, { kind: 'reading', name: sourceName }),
        ...rateBelowRatings(memory.slots, sourceName),
      ];
    });
}

/** What the customer's operating system can see, where it has a limit. */
function claimsOfSystem({ os, osBits }: Job, systems: readonly SystemNeed[]): Claim[] {
  const visible = systems.find((one) => one.os === os)?.visibleMiB ?? (osBits === 32 ? BITS_32_MIB : null);
  if (visible === null) return [];
  const name = os !== '' ? os : '32-bit system';
  return [{ limit: 'osVisibleMiB', value: visible, source: { kind: 'system', name } }];
}

export interface JobClaims {
  /** all words on the machine's limits, with what is usual where nobody says anything */
  claims: Claim[];
  trials: Trial[];
  cpu: JobCpu;
}

interface ClaimsOf {
  job: Job;
  model: Model | null;
  slots: readonly JobSlot[];
  readings: readonly KeptReading[];
  joined: Joined;
  systems: readonly SystemNeed[];
  /** what is kept with the model, what was tried in it, and what was decided for this job */
  stored: readonly StoredClaim[];
  trials: readonly Trial[];
  decisions: readonly Decision[];
}

/** Everything that anybody says of the limits of a job's machine. */
export function claimsOfJob(of: ClaimsOf): JobClaims {
  const { job, model, slots, readings, joined, stored, decisions } = of;
  const trials = [...of.trials];
  const [last] = readings.filter(({ setAside }) => !setAside);
  const cpu = cpuOf(job, model, joined);
  const said = [
    ...decisions.flatMap(claimOfDecision),
    ...stored.flatMap(claimOfStored),
    ...claimsOfJobCpu(cpu),
    ...claimsOfModules(slots, { kind: 'reading', name: last?.sourceName ?? 'modules in the machine' }),
    ...claimsOfSpecifications(readings),
    ...claimsOfReadings(readings, joined),
    ...claimsOfSystem(job, of.systems),
  ];
  const limits = limitsOfClaims(said);
  const all = [...said, ...claimsOfTrials(trials, limits), ...totalPerSocket(limits, slots)];
  return { claims: withUsual(all), trials, cpu };
}
