import type { Generation } from '../../memory/generation';
import { byteAt } from '../bytes/bytes';
import { makerIdText } from '../maker-id';
import { NOTHING_TOLD, type ReadModule, type SpdCheck } from '../reading';
import { asciiAt, crcCheck, madeAt, madeChecks, type SpdFacts, serialAt } from './spd-facts';
import { DDR5_KINDS } from './spd-kinds';
import { standardRate } from './spd-timings';

/** Where a kind of SPD keeps who made the module: maker code, date, serial, part name and its length, chip maker. */
interface NamePlaces {
  maker: number;
  made: number;
  serial: number;
  part: number;
  partLength: number;
  chipMaker: number;
}

function facts(
  bytes: Uint8Array,
  places: NamePlaces,
  more: { whole: number; warning: string; module: Partial<ReadModule>; checks: SpdCheck[] },
): SpdFacts {
  return {
    whole: more.whole,
    warnings: [more.warning],
    module: {
      ...NOTHING_TOLD,
      makerId: makerIdText(byteAt(bytes, places.maker), byteAt(bytes, places.maker + 1)),
      part: asciiAt(bytes, places.part, places.partLength),
      serial: serialAt(bytes, places.serial),
      ...more.module,
    },
    detail: {
      logicalRanks: null,
      stackHeight: null,
      asymmetric: null,
      deviceGbit: null,
      casLatencies: [],
      timings: [],
      made: madeAt(bytes, places.made),
      chipMakerId: makerIdText(byteAt(bytes, places.chipMaker), byteAt(bytes, places.chipMaker + 1)),
      checks: more.checks,
    },
  };
}

const MIDDLE: NamePlaces = { maker: 117, made: 120, serial: 122, part: 128, partLength: 18, chipMaker: 148 };
const LATE: NamePlaces = { maker: 320, made: 323, serial: 325, part: 329, partLength: 20, chipMaker: 350 };
const LATEST: NamePlaces = { maker: 512, made: 515, serial: 517, part: 521, partLength: 30, chipMaker: 552 };

/**
 * Decodes an SPD of a fully buffered DDR2 module as far as we have its layout: kind, rate, and who made it. Every such
 * module carries check bits (JEDEC 21-C, FB-DIMM annex).
 */
export function decodeFullyBufferedSpd(bytes: Uint8Array): SpdFacts {
  const [dividend, divisor, cycle] = [byteAt(bytes, 9), byteAt(bytes, 10), byteAt(bytes, 11)];
  const ps = dividend && divisor && cycle ? (cycle * dividend * 1000) / divisor : null;
  const covered = ((byteAt(bytes, 0) ?? 0) & 0x80) !== 0 ? 116 : 125;
  return facts(bytes, MIDDLE, {
    whole: 256,
    warning: 'a fully buffered module: its capacity, ranks and timings are not read from this SPD',
    checks: madeChecks(crcCheck(bytes, 0, covered, 126)),
    module: {
      generation: 'DDR2',
      form: 'DIMM',
      buffering: 'fully-buffered',
      ecc: true,
      rateMTs: ps === null ? null : standardRate('DDR2', ps),
      soldered: false,
    },
  });
}

const LOW_POWER = 'low-power memory: only its kind and names are read from this SPD';

/** Decodes an SPD of low-power memory by its names alone; it is soldered unless its type byte says a module. */
export function decodeLowPowerSpd(bytes: Uint8Array, generation: Generation): SpdFacts {
  const latest = generation === 'LPDDR5' || generation === 'LPDDR5X';
  const kind = latest ? DDR5_KINDS[(byteAt(bytes, 3) ?? 0) & 0x0f] : undefined;
  const check = latest ? crcCheck(bytes, 0, 509, 510) : crcCheck(bytes, 0, 125, 126);
  return facts(bytes, latest ? LATEST : LATE, {
    whole: latest ? 1024 : 512,
    warning: LOW_POWER,
    checks: madeChecks(check),
    module: { generation, form: kind?.form ?? null, soldered: kind?.form == null },
  });
}
