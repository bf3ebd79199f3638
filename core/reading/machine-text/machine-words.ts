import { meant } from '../placeholder';
import { type ReadMachine, UNTOLD_MACHINE } from '../reading';
import { foldText } from '../specification/fold-text';
import { fieldOf, type TextFieldName } from './field-words';
import { type Block, isSlotName } from './pairs';
import { eccIn, sizeIn } from './values';

/** What a text says of the machine as a whole, and which fields said it. */
export interface MachineWords {
  machine: ReadMachine;
  told: ReadonlySet<TextFieldName>;
}

const LONGEST = 160;

/** `15.8 GB usable` behind what is installed. */
const USABLE =
  /\(?(?<size>\d[\d.,]* ?[gm][bo]) (?:usable|verwendbar|utilisables?|utilizables?|bruikbaar|utilizzabili?|utilizavel|utilizaveis)/;

function bitsOf(text: string | null): number | null {
  const folded = foldText(text ?? '');
  if (/64|amd64|aarch64|arm64/.test(folded)) return 64;
  return /(?<![\d])32(?! ?gb)|x86(?!.?64)|i[3-6]86/.test(folded) ? 32 : null;
}

/** Keys that name no machine where they stand in a module's block. */
const ANYWHERE: ReadonlySet<TextFieldName> = new Set([
  'system-maker',
  'system-model',
  'os',
  'system-type',
  'board-maker',
  'board-model',
  'firmware',
  'visible',
  'cpu',
  'slots',
  'most',
]);

/** Blocks whose maker, model and serial are the machine's. */
const SYSTEM_HEADING =
  /(?<![a-z])(?:system|computer|machine|hardware|hardware overview|product|gerat|equipo|sistema|ordinateur|rechner)(?![a-z])/;

/** Reads what a text's blocks say of the machine as a whole. */
export function machineOfBlocks(blocks: readonly Block[], slotBlocks: ReadonlySet<number>): MachineWords {
  const said = new Map<TextFieldName, string>();
  const cpus: string[] = [];
  for (const block of blocks) {
    const isOwn = !slotBlocks.has(block.line) && !isSlotName(block.heading);
    const isSystem =
      isOwn && (SYSTEM_HEADING.test(foldText(block.heading)) || block.pairs.some(({ key }) => fieldOf(key) === 'cpu'));
    for (const { key, value } of block.pairs) {
      const field = fieldOf(key);
      if (field === null || value === '') continue;
      if (field === 'cpu' && isOwn && cpus.length < 8) cpus.push(value);
      const asSystem: TextFieldName | null =
        isSystem && field === 'maker' ? 'system-maker' : isSystem && field === 'serial' ? 'serial' : null;
      const holds =
        asSystem ??
        (isOwn && (ANYWHERE.has(field) || field === 'installed' || field === 'ecc' || field === 'used') ? field : null);
      if (holds !== null && !said.has(holds)) said.set(holds, value.slice(0, LONGEST));
    }
  }
  const of = (field: TextFieldName): string | null => said.get(field) ?? null;
  const text = (field: TextFieldName): string | null => meant(of(field));
  const installed = of('installed');
  const usable = USABLE.exec(foldText(installed ?? ''))?.groups?.size;
  const visible = sizeIn(of('visible') ?? usable ?? '');
  const fitted = installed === null ? null : sizeIn(installed);
  const bits = bitsOf(of('system-type')) ?? bitsOf(/bit/i.test(of('os') ?? '') ? of('os') : null);
  const ecc = of('ecc') === null ? null : eccIn(of('ecc') ?? '');
  const most = sizeIn(of('most') ?? '');
  const slots = /^(\d{1,2})(?!\d)/.exec(of('slots') ?? '')?.[1];
  const firmware = text('firmware');
  const [version, date] = firmware === null ? [null, null] : versionAndDate(firmware);
  const machine: ReadMachine = {
    ...UNTOLD_MACHINE,
    maker: text('system-maker'),
    model: text('system-model'),
    serial: text('serial'),
    board: { maker: text('board-maker'), model: text('board-model') },
    firmware: { version, date },
    cpus: [...new Set(cpus)].flatMap((name) =>
      meant(name) === null ? [] : [{ name: meant(name.slice(0, LONGEST)), socket: null }],
    ),
    os: of('os') === null && bits === null ? null : { name: text('os'), bits },
    memory: {
      slotCount: slots === undefined ? null : Number(slots),
      maxCapacityMiB: most !== null && Number.isInteger(most) ? most : null,
      errorCorrection: ecc === null ? null : ecc ? eccName(of('ecc') ?? '') : 'None',
      ...(visible === null ? {} : { visibleMiB: Math.floor(visible) }),
      ...(fitted === null ? {} : { installedMiB: Math.round(fitted) }),
      slots: [],
    },
  };
  return { machine, told: new Set(said.keys()) };
}

/** Error correction in the words of DSP0134 7.17.3. */
const eccName = (text: string): string => (/multi/i.test(text) ? 'Multi-bit ECC' : 'Single-bit ECC');

const DATE = /(?<day>\d{1,2}[./-]\d{1,2}[./-]\d{4}|\d{4}-\d{2}-\d{2})/;

/** `Kestrin 1.12, 12.03.2019`: a firmware's version, and its date as written. */
function versionAndDate(text: string): [string | null, string | null] {
  const date = DATE.exec(text)?.groups?.day ?? null;
  const version =
    date === null
      ? text
      : text
          .replace(date, '')
          .replace(/[ ,;(-]+$/, '')
          .trim();
  return [version === '' ? null : version, date];
}
