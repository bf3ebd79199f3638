import { type Joined, joinReadings } from '../../core/machine/slots/join-readings';
import type { ReadMachine } from '../../core/reading/reading';
import type { Job } from '../../store/job/jobs';
import type { KeptReading } from '../../store/job/readings';
import type { ReportedNames } from '../../store/library/models';

/** Name of a job's machine as people say it; empty while nobody has said. */
export function machineName(job: Pick<Job, 'machineMaker' | 'machineName'>): string {
  return `${job.machineMaker} ${job.machineName}`.trim();
}

/** What a job's papers call it: so many of it, where there are several; empty while nobody has said. */
export function machinesName(job: Pick<Job, 'machineMaker' | 'machineName' | 'machines'>, untold = ''): string {
  const name = machineName(job) || untold;
  return job.machines === 1 || name === '' ? name : `${job.machines} × ${name}`;
}

/** So many machines all groups of a job have. */
export const allMachines = (groups: readonly { machines: number }[]): number =>
  groups.reduce((sum, { machines }) => sum + machines, 0);

/** What a job's machine is called in its planning case. */
export const caseName = (job: Pick<Job, 'id' | 'machineMaker' | 'machineName'>): string =>
  machineName(job) || `job ${job.id}`;

/** A job's readings as the core joins them: those of the first of its machines that were not set aside. */
export function joinKept(readings: readonly KeptReading[]): Joined {
  const used = readings.filter(({ setAside, machine }) => !setAside && machine === 1);
  return joinReadings(used.map(({ id, sourceName, result }) => ({ id, name: sourceName, reading: result })));
}

/** What a machine's readings call it. */
export function reportedNames({ model, board, serial }: ReadMachine): ReportedNames {
  return { product: model ?? board.model, board: board.model, serial };
}
