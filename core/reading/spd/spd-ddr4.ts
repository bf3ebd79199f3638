import { byteAt } from '../bytes/bytes';
import { makerIdText } from '../maker-id';
import { NOTHING_TOLD } from '../reading';
import { asciiAt, crcCheck, doubled, madeAt, madeChecks, type SpdFacts, serialAt, setBits, timePs } from './spd-facts';
import { DDR4_KINDS } from './spd-kinds';
import { standardRate, timingsByTime } from './spd-timings';

/** Density of one die by the low four bits of byte 4, Gbit (JEDEC 21-C 4.1.2.12, annex L). */
const DENSITY_GBIT: readonly number[] = [0.25, 0.5, 1, 2, 4, 8, 16, 32, 12, 24];
/** The standard density one step below; byte 10 counts in these steps. */
const NEXT_SMALLER: Record<number, number> = { 32: 16, 24: 16, 16: 8, 12: 8, 8: 4, 4: 2, 2: 1, 1: 0.5, 0.5: 0.25 };
/** Medium and fine timebase of byte 17, ps: the standard defines no others. */
const MTB_PS = 125;
const FTB_PS = 1;
const SHORTEST_HEIGHT_MM = 15;
/** Signal loading of byte 6 that means a 3DS stack. */
const SINGLE_LOAD_STACK = 2;

/** CLs of bytes 20 to 23: from 7 up, or from 23 up where the highest bit says so. */
function latenciesOf(bytes: Uint8Array): number[] {
  let mask = 0;
  for (let index = 3; index >= 0; index--) mask = mask * 256 + (byteAt(bytes, 20 + index) ?? 0);
  const lowest = mask >= 0x80000000 ? 23 : 7;
  return setBits(mask % 0x40000000, 30).map((bit) => bit + lowest);
}

interface Ranks {
  packageRanks: number | null;
  logicalRanks: number | null;
  stackHeight: number | null;
  asymmetric: boolean | null;
}

/** Package ranks of byte 12; behind a 3DS stack each of them is as many logical ranks as the stack has dies. */
function ranksOf(bytes: Uint8Array): Ranks {
  const organisation = byteAt(bytes, 12);
  const stack = byteAt(bytes, 6);
  if (organisation === null || stack === null) {
    return { packageRanks: null, logicalRanks: null, stackHeight: null, asymmetric: null };
  }
  const packageRanks = ((organisation >> 3) & 7) + 1;
  const stackHeight = (stack & 3) === SINGLE_LOAD_STACK ? ((stack >> 4) & 7) + 1 : 1;
  return {
    packageRanks,
    logicalRanks: packageRanks * stackHeight,
    stackHeight,
    asymmetric: ((organisation >> 6) & 1) === 1,
  };
}

/** Density of the odd ranks of an asymmetric module: so many standard steps below that of the even ones (byte 10). */
function oddDensity(bytes: Uint8Array, even: number): number | null {
  const steps = ((byteAt(bytes, 10) ?? 0) >> 2) & 3;
  if (steps === 3) return null;
  let density: number | undefined = even;
  for (let step = 0; step < steps && density !== undefined; step++) density = NEXT_SMALLER[density];
  return density ?? null;
}

/** Capacity in MiB: density ÷ 8 × bus width ÷ device width × logical ranks, odd and even ranks apart where they differ. */
function capacityOf(bytes: Uint8Array, { packageRanks, logicalRanks, asymmetric }: Ranks): number | null {
  const gbit = DENSITY_GBIT[(byteAt(bytes, 4) ?? 0xff) & 0x0f];
  const [organisation, bus] = [byteAt(bytes, 12), byteAt(bytes, 13)];
  if (gbit === undefined || logicalRanks === null || packageRanks === null) return null;
  if (organisation === null || bus === null) return null;
  const [busWidth, deviceWidth] = [doubled(8, bus & 7, 3), doubled(4, organisation & 7, 3)];
  if (busWidth === null || deviceWidth === null) return null;
  const devices = busWidth / deviceWidth;
  const rankMiB = (density: number): number => ((density * 1024) / 8) * devices;
  if (!asymmetric) return rankMiB(gbit) * logicalRanks;
  const odd = oddDensity(bytes, gbit);
  const oddRanks = Math.floor(packageRanks / 2);
  const dies = logicalRanks / packageRanks;
  return odd === null ? null : (rankMiB(gbit) * (packageRanks - oddRanks) + rankMiB(odd) * oddRanks) * dies;
}

/** tRAS, 12 bits: low byte 28, high bits in the low half of byte 27. */
function rasMedium(bytes: Uint8Array): number | null {
  const [high, low] = [byteAt(bytes, 27), byteAt(bytes, 28)];
  return high === null || low === null ? null : ((high & 0x0f) << 8) | low;
}

/** Decodes an SPD of DDR4 (JEDEC 21-C 4.1.2.12, annex L). Bytes that the dump does not hold read as not told. */
export function decodeDdr4Spd(bytes: Uint8Array): SpdFacts {
  const time = (medium: number | null, fineAt: number): number | null =>
    timePs(medium, byteAt(bytes, fineAt), MTB_PS, FTB_PS);
  const cycle = time(byteAt(bytes, 18), 125);
  const rateMTs = cycle === null ? null : standardRate('DDR4', cycle);
  const latencies = latenciesOf(bytes);
  const times = {
    aa: time(byteAt(bytes, 24), 123),
    rcd: time(byteAt(bytes, 25), 122),
    rp: time(byteAt(bytes, 26), 121),
    ras: timePs(rasMedium(bytes), null, MTB_PS, FTB_PS),
  };
  const timings = rateMTs === null ? [] : timingsByTime('DDR4', rateMTs, latencies, times);
  const ranks = ranksOf(bytes);
  const [organisation, bus, voltage, height] = [12, 13, 11, 128].map((at) => byteAt(bytes, at));
  const type = byteAt(bytes, 3) ?? 0;
  const kind = DDR4_KINDS[type & 0x0f];
  return {
    whole: 512,
    warnings: (type & 0x80) === 0 ? [] : ['a hybrid module (byte 3): only its memory is read, not its store'],
    module: {
      ...NOTHING_TOLD,
      capacityMiB: capacityOf(bytes, ranks),
      generation: 'DDR4',
      form: kind?.form ?? null,
      buffering: kind?.buffering ?? null,
      ecc: bus == null ? null : ((bus >> 3) & 3) > 0,
      rateMTs,
      ranks: ranks.packageRanks,
      deviceWidth: organisation == null ? null : doubled(4, organisation & 7, 3),
      casLatency: timings.find((one) => one.rateMTs === rateMTs)?.casLatency ?? null,
      voltagesMv: voltage == null || (voltage & 1) === 0 ? null : [1200],
      heightMm: height == null ? null : SHORTEST_HEIGHT_MM + (height & 0x1f),
      makerId: makerIdText(byteAt(bytes, 320), byteAt(bytes, 321)),
      part: asciiAt(bytes, 329, 20),
      serial: serialAt(bytes, 325),
      soldered: false,
    },
    detail: {
      logicalRanks: ranks.logicalRanks,
      stackHeight: ranks.stackHeight,
      asymmetric: ranks.asymmetric,
      deviceGbit: DENSITY_GBIT[(byteAt(bytes, 4) ?? 0xff) & 0x0f] ?? null,
      casLatencies: latencies,
      timings,
      made: madeAt(bytes, 323),
      chipMakerId: makerIdText(byteAt(bytes, 350), byteAt(bytes, 351)),
      checks: madeChecks(crcCheck(bytes, 0, 125, 126), crcCheck(bytes, 128, 253, 254)),
    },
  };
}
