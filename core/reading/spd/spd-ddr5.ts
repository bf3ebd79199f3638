import { byteAt, wordAt } from '../bytes/bytes';
import { makerIdText } from '../maker-id';
import { NOTHING_TOLD } from '../reading';
import { asciiAt, crcCheck, doubled, madeAt, madeChecks, type SpdFacts, serialAt, setBits } from './spd-facts';
import { DDR5_KINDS } from './spd-kinds';
import { standardRate, timingsByTime } from './spd-timings';

/** Density of one die by the low five bits of bytes 4 and 8, Gbit (JESD400-5). */
const DENSITY_GBIT: readonly (number | undefined)[] = [undefined, 4, 8, 12, 16, 24, 32, 48, 64];
/** Dies in a package by the high three bits of bytes 4 and 8, and whether they are a 3DS stack. */
const DIES: readonly { dies: number; stacked: boolean }[] = [
  { dies: 1, stacked: false },
  { dies: 2, stacked: false },
  { dies: 2, stacked: true },
  { dies: 4, stacked: true },
  { dies: 8, stacked: true },
  { dies: 16, stacked: true },
];
const LOWEST_CL = 20;
const SHORTEST_HEIGHT_MM = 15;

/** A kind of chip of the module: bytes 4 and 6 for all ranks or the even ones, bytes 8 and 10 for the odd ones. */
interface Chip {
  gbit: number;
  dies: number;
  stacked: boolean;
  width: number;
}

function chipAt(bytes: Uint8Array, at: number): Chip | null {
  const [density, width] = [byteAt(bytes, at), byteAt(bytes, at + 2)];
  if (density === null || width === null) return null;
  const gbit = DENSITY_GBIT[density & 0x1f];
  const dies = DIES[density >> 5];
  const bits = doubled(4, width >> 5, 3);
  return gbit === undefined || dies === undefined || bits === null ? null : { gbit, ...dies, width: bits };
}

interface Organisation {
  packageRanks: number;
  asymmetric: boolean;
  subchannels: number | null;
  /** of one subchannel, bits */
  primaryWidth: number | null;
  ecc: boolean;
}

function organisationOf(bytes: Uint8Array): Organisation | null {
  const [organisation, bus] = [byteAt(bytes, 234), byteAt(bytes, 235)];
  if (organisation === null || bus === null) return null;
  return {
    packageRanks: ((organisation >> 3) & 7) + 1,
    asymmetric: ((organisation >> 6) & 1) === 1,
    subchannels: doubled(1, bus >> 5, 3),
    primaryWidth: doubled(8, bus & 7, 3),
    ecc: ((bus >> 3) & 3) > 0,
  };
}

/** Subchannels × width ÷ device width × dies × density ÷ 8 × ranks, odd and even ranks apart where they differ, MiB. */
function capacityOf(even: Chip | null, odd: Chip | null, organisation: Organisation | null): number | null {
  if (even === null || organisation === null) return null;
  const { packageRanks, asymmetric, subchannels, primaryWidth } = organisation;
  if (subchannels === null || primaryWidth === null) return null;
  const rankMiB = ({ gbit, dies, width }: Chip): number =>
    ((subchannels * primaryWidth) / width) * dies * ((gbit * 1024) / 8);
  if (!asymmetric) return rankMiB(even) * packageRanks;
  const oddRanks = Math.floor(packageRanks / 2);
  return odd === null ? null : rankMiB(even) * (packageRanks - oddRanks) + rankMiB(odd) * oddRanks;
}

/** CLs of bytes 24 to 28: even ones from 20 on. */
function latenciesOf(bytes: Uint8Array): number[] {
  return [24, 25, 26, 27, 28].flatMap((at, index) =>
    setBits(byteAt(bytes, at) ?? 0, 8).map((bit) => LOWEST_CL + 2 * (index * 8 + bit)),
  );
}

/** Decodes an SPD of DDR5 (JESD400-5). Bytes that the dump does not hold read as not told. */
export function decodeDdr5Spd(bytes: Uint8Array): SpdFacts {
  const ps = (at: number): number | null => wordAt(bytes, at) || null;
  const cycle = ps(20);
  const rateMTs = cycle === null ? null : standardRate('DDR5', cycle);
  const latencies = latenciesOf(bytes);
  const times = { aa: ps(30), rcd: ps(32), rp: ps(34), ras: ps(36) };
  const timings = rateMTs === null ? [] : timingsByTime('DDR5', rateMTs, latencies, times);
  const chip = chipAt(bytes, 4);
  const organisation = organisationOf(bytes);
  const [voltage, height] = [byteAt(bytes, 16), byteAt(bytes, 230)];
  const type = byteAt(bytes, 3) ?? 0;
  const kind = DDR5_KINDS[type & 0x0f];
  const stackHeight = chip === null ? null : chip.stacked ? chip.dies : 1;
  return {
    whole: 1024,
    warnings: (type & 0x80) === 0 ? [] : ['a hybrid module (byte 3): only its memory is read, not its store'],
    module: {
      ...NOTHING_TOLD,
      capacityMiB: capacityOf(chip, chipAt(bytes, 8), organisation),
      generation: 'DDR5',
      form: kind?.form ?? null,
      buffering: kind?.buffering ?? null,
      ecc: organisation?.ecc ?? null,
      rateMTs,
      ranks: organisation?.packageRanks ?? null,
      deviceWidth: chip?.width ?? null,
      casLatency: timings.find((one) => one.rateMTs === rateMTs)?.casLatency ?? null,
      voltagesMv: voltage === null || voltage >> 4 !== 0 ? null : [1100],
      heightMm: height === null ? null : SHORTEST_HEIGHT_MM + (height & 0x1f),
      makerId: makerIdText(byteAt(bytes, 512), byteAt(bytes, 513)),
      part: asciiAt(bytes, 521, 30),
      serial: serialAt(bytes, 517),
      soldered: kind?.soldered === true,
    },
    detail: {
      logicalRanks: organisation === null || stackHeight === null ? null : organisation.packageRanks * stackHeight,
      stackHeight,
      asymmetric: organisation?.asymmetric ?? null,
      deviceGbit: chip?.gbit ?? null,
      casLatencies: latencies,
      timings,
      made: madeAt(bytes, 515),
      chipMakerId: makerIdText(byteAt(bytes, 552), byteAt(bytes, 553)),
      checks: madeChecks(crcCheck(bytes, 0, 509, 510)),
    },
  };
}
