import { read } from '../read';
import type { ReadModule } from '../reading';

/** What a text says of a machine, field by field in short words; a field that is not there is not told. */
export type MachineFields = Record<string, string>;

/** A text of a list with what it says. */
export interface MachineTextRow {
  title: string;
  text: string;
  expected: MachineFields;
}

const FORMS: Record<string, string> = { 'SO-DIMM': 'so', DIMM: 'dimm', CAMM2: 'camm' };
const BUFFERINGS: Record<string, string> = {
  unbuffered: 'u',
  registered: 'r',
  'load-reduced': 'l',
  'fully-buffered': 'f',
};

/** Fields whose wrong value changes a plan, by the end of their names. */
const PLANNED = /^(?:count|max|ecc|visible|installed)$|\.(?:state|mib|gen|form|kind|ecc|rate|mv)$/;

/** `_` stands for a blank, `\\_` for itself. */
const blanks = (text: string): string => text.replace(/(?<!\\)_/g, ' ').replaceAll('\\_', '_');

/** `A1 8192 DDR4 so @2666 ~2400 u noecc cl19 1R 1200mV soldered maker:X part:Y serial:Z`, the socket's name with `_` for blanks. */
function slotFields(line: string, index: number): MachineFields {
  const [name = '-', ...words] = line.split(' ');
  const fields: MachineFields = {};
  const put = (field: string, value: string): void => {
    fields[`${index}.${field}`] = blanks(value);
  };
  if (name !== '-') put('name', name);
  for (const word of words) {
    if (word === 'empty' || word === 'filled') put('state', word);
    else if (/^\d+$/.test(word)) put('mib', word);
    else if (/^(?:LP)?DDR|^SDR/.test(word)) put('gen', word);
    else if (Object.values(FORMS).includes(word)) put('form', word);
    else if (/^@/.test(word)) put('rate', word.slice(1));
    else if (/^~/.test(word)) put('running', word.slice(1));
    else if (/^[urlf]$/.test(word)) put('kind', word);
    else if (/^(?:no)?ecc$/.test(word)) put('ecc', word);
    else if (/^cl/.test(word)) put('cl', word.slice(2));
    else if (/^\dR$/.test(word)) put('ranks', word);
    else if (/mV$/.test(word)) put('mv', word);
    else if (word === 'soldered') put('soldered', 'yes');
    else if (word.includes(':')) put(word.slice(0, word.indexOf(':')), word.slice(word.indexOf(':') + 1));
    else throw new Error(`no field of a slot is written "${word}"`);
  }
  if (fields[`${index}.state`] === undefined) put('state', 'filled');
  return fields;
}

/** The texts of a list's file: a title, the text, then lines that begin with `--`. */
export function machineTexts(file: string): MachineTextRow[] {
  return file
    .split(/^=== /m)
    .slice(1)
    .map((block) => {
      const head = block.indexOf('\n');
      const tail = block.indexOf('\n-- ');
      const lines = block
        .slice(tail + 1)
        .split('\n')
        .filter((line) => line.startsWith('-- '))
        .map((line) => line.slice(3));
      let slots = 0;
      const fields = lines.map((line): MachineFields => {
        if (line.startsWith('slot ')) return slotFields(line.slice(5), slots++);
        return Object.fromEntries(
          line.split(' ').map((pair) => [pair.slice(0, pair.indexOf('=')), blanks(pair.slice(pair.indexOf('=') + 1))]),
        );
      });
      return {
        title: block.slice(0, head).trim(),
        text: block.slice(head + 1, tail),
        expected: Object.assign({}, ...fields) as MachineFields,
      };
    });
}

function moduleFields(module: ReadModule, index: number): MachineFields {
  const told: Record<string, string | null> = {
    state: 'filled',
    mib: module.capacityMiB?.toString() ?? null,
    gen: module.generation,
    form: module.form === null ? null : (FORMS[module.form] ?? module.form),
    rate: module.rateMTs?.toString() ?? null,
    running: module.configuredRateMTs?.toString() ?? null,
    kind: module.buffering === null ? null : (BUFFERINGS[module.buffering] ?? null),
    ecc: module.ecc === null ? null : module.ecc ? 'ecc' : 'noecc',
    cl: module.casLatency?.toString() ?? null,
    ranks: module.ranks === null ? null : `${module.ranks}R`,
    mv: module.voltagesMv === null ? null : `${module.voltagesMv.join('+')}mV`,
    soldered: module.soldered ? 'yes' : null,
    maker: module.maker,
    part: module.part,
    serial: module.serial,
  };
  return Object.fromEntries(
    Object.entries(told).flatMap(([name, value]) => (value === null ? [] : [[`${index}.${name}`, value]])),
  );
}

/** What the readers say of a text, in the same words; null: they read no machine. */
export function machineFields(text: string): MachineFields | null {
  const result = read(text);
  const machine = result.ok && result.reading.format === 'machine-text' ? result.reading.machine : undefined;
  if (machine === undefined) return null;
  const { memory } = machine;
  const told: Record<string, string | number | null | undefined> = {
    maker: machine.maker,
    model: machine.model,
    serial: machine.serial,
    boardmaker: machine.board.maker,
    board: machine.board.model,
    firmware: machine.firmware.version,
    cpu: machine.cpus[0]?.name,
    os: machine.os?.name,
    bits: machine.os?.bits,
    count: memory.slotCount,
    max: memory.maxCapacityMiB,
    ecc: memory.errorCorrection,
    visible: memory.visibleMiB,
    installed: memory.installedMiB,
  };
  const fields = Object.fromEntries(
    Object.entries(told).flatMap(([name, value]) => (value == null ? [] : [[name, String(value)]])),
  );
  memory.slots.forEach(({ locator, installed }, index) => {
    if (locator !== null) fields[`${index}.name`] = locator;
    Object.assign(fields, installed === null ? { [`${index}.state`]: 'empty' } : moduleFields(installed, index));
  });
  return fields;
}

export interface MachineScore {
  texts: number;
  fields: number;
  right: number;
  wrongPlans: string[];
  misses: string[];
}

/** How many of the fields that any text says or the reader tells are right. */
export function scoreMachines(texts: readonly MachineTextRow[]): MachineScore {
  const score: MachineScore = { texts: texts.length, fields: 0, right: 0, wrongPlans: [], misses: [] };
  for (const { title, text, expected } of texts) {
    const told = machineFields(text) ?? {};
    for (const field of new Set([...Object.keys(expected), ...Object.keys(told)])) {
      score.fields++;
      const [wanted, got] = [expected[field], told[field]];
      if (wanted === got) {
        score.right++;
        continue;
      }
      const line = `${title}: ${field} should be ${wanted ?? 'null'}, is ${got ?? 'null'}`;
      score.misses.push(line);
      if (got !== undefined && PLANNED.test(field)) score.wrongPlans.push(line);
    }
  }
  return score;
}
