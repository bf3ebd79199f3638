import { z } from 'zod';

/** Bounds that hold at every edge: what lies outside is a slip of the pen or an attack, and is no memory, price or day. */

/** one module, MiB: 16 TiB */
export const MOST_MODULE_MIB = 16 * 1024 * 1024;
/** one machine, MiB: 64 TiB */
export const MOST_MACHINE_MIB = 64 * 1024 * 1024;
/** a rate, MT/s */
export const MOST_RATE_MTS = 100_000;
/** a voltage, mV */
export const MOST_MV = 20_000;
/** ids are PostgreSQL's integers */
export const MOST_ID = 2 ** 31 - 1;
/** ranks, CL, widths, densities, counts of modules: whatever counts something small */
export const MOST_SMALL = 10_000;

const whole = (most: number, words: string) => z.number().int().positive().max(most, words);

export const moduleMiBSchema = whole(MOST_MODULE_MIB, 'A module has at most 16 TB.');
export const machineMiBSchema = whole(MOST_MACHINE_MIB, 'A machine has at most 64 TB.');
export const rateSchema = whole(MOST_RATE_MTS, `A rate is at most ${MOST_RATE_MTS} MT/s.`);
export const millivoltSchema = whole(MOST_MV, 'A voltage is at most 20 V.');
export const smallSchema = whole(MOST_SMALL, `A number here is at most ${MOST_SMALL}.`);
/** a figure that need not be whole: a latency in clock cycles, a height in mm, a density in Gbit */
export const figureSchema = z.number().positive().max(MOST_SMALL, `A number here is at most ${MOST_SMALL}.`);
export const idSchema = whole(MOST_ID, 'There is no such number.');
/** how often something was changed */
export const versionSchema = z.number().int().nonnegative().max(MOST_ID, 'There is no such number.');

/** A calendar day `YYYY-MM-DD` (ISO 8601) from 1990 to 2100. */
export const daySchema = z.iso
  .date('A day is written as 2026-03-31.')
  .refine((day) => day >= '1990-01-01' && day <= '2100-12-31', 'A day is from 1990 to 2100.');
