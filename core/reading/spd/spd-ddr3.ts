import { byteAt, wordAt } from '../bytes/bytes';
import { makerIdText } from '../maker-id';
import { NOTHING_TOLD } from '../reading';
import { asciiAt, crcCheck, doubled, madeAt, madeChecks, type SpdFacts, serialAt, setBits, timePs } from './spd-facts';
import { DDR3_KINDS } from './spd-kinds';
import { standardRate, timingsByTime } from './spd-timings';

/** Density of one die by the low four bits of byte 4, Gbit (JEDEC 21-C 4.1.2.11, annex K). */
const DENSITY_GBIT: readonly number[] = [0.25, 0.5, 1, 2, 4, 8, 16];
/** Ranks by bits 5 to 3 of byte 7. */
const RANKS: readonly (number | undefined)[] = [1, 2, 3, 4, 8];
/** Operable voltages by bit of byte 6; the first bit says "not". */
const VOLTAGES_MV = { usual: 1500, low: 1350, lower: 1250 } as const;
const SHORTEST_HEIGHT_MM = 15;

function voltagesOf(byte: number | null): number[] | null {
  if (byte === null) return null;
  const { usual, low, lower } = VOLTAGES_MV;
  const runs = [...(byte & 4 ? [lower] : []), ...(byte & 2 ? [low] : []), ...(byte & 1 ? [] : [usual])];
  return runs.length === 0 ? null : runs;
}

/** Timebases in ps: medium of bytes 10 and 11 (ns), fine of byte 9 (ps). */
function timebases(bytes: Uint8Array): { mtb: number; ftb: number } {
  const [dividend, divisor] = [byteAt(bytes, 10) ?? 0, byteAt(bytes, 11) ?? 0];
  const fine = byteAt(bytes, 9) ?? 0;
  return {
    mtb: dividend > 0 && divisor > 0 ? (dividend * 1000) / divisor : 125,
    ftb: (fine & 0x0f) > 0 ? (fine >> 4) / (fine & 0x0f) : 0,
  };
}

/** tRAS, 12 bits: low byte 22, high bits in the low half of byte 21. */
function rasMedium(bytes: Uint8Array): number | null {
  const [high, low] = [byteAt(bytes, 21), byteAt(bytes, 22)];
  return high === null || low === null ? null : ((high & 0x0f) << 8) | low;
}

function latenciesOf(bytes: Uint8Array): number[] {
  return setBits((wordAt(bytes, 14) ?? byteAt(bytes, 14) ?? 0) & 0x7fff, 15).map((bit) => bit + 4);
}

/** Decodes an SPD of DDR3 (JEDEC 21-C 4.1.2.11, annex K). Bytes that the dump does not hold read as not told. */
export function decodeDdr3Spd(bytes: Uint8Array): SpdFacts {
  const { mtb, ftb } = timebases(bytes);
  const time = (medium: number | null, fineAt: number): number | null =>
    timePs(medium, byteAt(bytes, fineAt), mtb, ftb);
  const cycle = time(byteAt(bytes, 12), 34);
  const rateMTs = cycle === null ? null : standardRate('DDR3', cycle);
  const latencies = latenciesOf(bytes);
  const times = {
    aa: time(byteAt(bytes, 16), 35),
    rcd: time(byteAt(bytes, 18), 36),
    rp: time(byteAt(bytes, 20), 37),
    ras: timePs(rasMedium(bytes), null, mtb, ftb),
  };
  const timings = rateMTs === null ? [] : timingsByTime('DDR3', rateMTs, latencies, times);
  const organisation = byteAt(bytes, 7);
  const bus = byteAt(bytes, 8);
  const gbit = DENSITY_GBIT[(byteAt(bytes, 4) ?? 0xff) & 0x0f] ?? null;
  const ranks = organisation === null ? null : (RANKS[(organisation >> 3) & 7] ?? null);
  const deviceWidth = organisation === null ? null : doubled(4, organisation & 7, 3);
  const busWidth = bus === null ? null : doubled(8, bus & 7, 3);
  const height = byteAt(bytes, 60);
  const kind = DDR3_KINDS[(byteAt(bytes, 3) ?? 0) & 0x0f];
  const stacked = ((byteAt(bytes, 33) ?? 0) & 0x03) === 2;
  const covered = ((byteAt(bytes, 0) ?? 0) & 0x80) !== 0 ? 116 : 125;
  return {
    whole: 256,
    warnings: [],
    module: {
      ...NOTHING_TOLD,
      capacityMiB:
        gbit === null || ranks === null || deviceWidth === null || busWidth === null
          ? null
          : ((gbit * 1024) / 8) * (busWidth / deviceWidth) * ranks,
      generation: 'DDR3',
      form: kind?.form ?? null,
      buffering: kind?.buffering ?? null,
      ecc: bus === null ? null : ((bus >> 3) & 3) > 0,
      rateMTs,
      ranks,
      deviceWidth,
      casLatency: timings.find((one) => one.rateMTs === rateMTs)?.casLatency ?? null,
      voltagesMv: voltagesOf(byteAt(bytes, 6)),
      heightMm: height === null ? null : SHORTEST_HEIGHT_MM + (height & 0x1f),
      makerId: makerIdText(byteAt(bytes, 117), byteAt(bytes, 118)),
      part: asciiAt(bytes, 128, 18),
      serial: serialAt(bytes, 122),
      soldered: false,
    },
    detail: {
      logicalRanks: ranks,
      stackHeight: stacked ? stackOf((byteAt(bytes, 33) ?? 0) >> 4) : 1,
      asymmetric: false,
      deviceGbit: gbit,
      casLatencies: latencies,
      timings,
      made: madeAt(bytes, 120),
      chipMakerId: makerIdText(byteAt(bytes, 148), byteAt(bytes, 149)),
      checks: madeChecks(crcCheck(bytes, 0, covered, 126)),
    },
  };
}

/** Dies of a stack by bits 6 to 4 of byte 33. */
function stackOf(bits: number): number | null {
  return [null, 1, 2, 4, 8][bits & 7] ?? null;
}
