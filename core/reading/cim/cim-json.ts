import { objectsIn, type ParsedJson } from '../bytes/parse-json';
import type { Reading } from '../reading';
import { machineOfCim } from './cim-machine';
import {
  CIM_PROPERTIES,
  type CimClass,
  type CimRecord,
  classOfName,
  classOfProperties,
  knownProperties,
  MOST_RECORDS,
} from './cim-record';

/** Properties that carry an instance's class, as writers of JSON leave them. */
const CLASS_NAMES = ['creationclassname', '__class', 'cimclassname'];

/** A property's value as text: lists count by their first item, dates by the text that stands for them. */
function valueText(value: unknown): string | null {
  const one: unknown = Array.isArray(value) ? value[0] : value;
  if (typeof one === 'string') return one;
  if (typeof one === 'number' || typeof one === 'boolean') return String(one);
  if (typeof one === 'object' && one !== null && 'value' in one && typeof one.value === 'string') return one.value;
  return null;
}

/** An object's properties that are read, by lower-case name; it may have a million others. */
function propertiesOf(object: Record<string, unknown>): Map<string, string> {
  const properties = new Map<string, string>();
  for (const name in object) {
    const low = name.toLowerCase();
    if (!CIM_PROPERTIES.has(low) && !CLASS_NAMES.includes(low)) continue;
    const text = valueText(object[name]);
    if (text !== null) properties.set(low, text);
  }
  return properties;
}

/** Class of an instance by its own word, by the name it stands under, or by its properties. */
function classOf(names: ReadonlyMap<string, string>, key: string): CimClass | null {
  const said = CLASS_NAMES.map((name) => names.get(name)).find((name) => name !== undefined);
  const named = said === undefined ? null : classOfName(said);
  return named ?? classOfProperties(names) ?? (names.size > 1 ? classOfName(key) : null);
}

function recordsIn(value: unknown): CimRecord[] {
  const records: CimRecord[] = [];
  for (const { object, key } of objectsIn(value)) {
    if (records.length === MOST_RECORDS) break;
    const names = propertiesOf(object);
    const cimClass = classOf(names, key);
    if (cimClass === null) continue;
    const properties = knownProperties(cimClass, names);
    // An object that only describes a class has none of its properties.
    if (properties.size > 0) records.push({ cimClass, properties });
  }
  return records;
}

/** Reads CIM instances as JSON (DMTF CIM schema): one or several classes, in lists, by name or alone. Null: there are none. */
export function readCimJson({ value, cut }: ParsedJson): Reading | null {
  const records = recordsIn(value);
  if (!records.some(({ cimClass }) => cimClass === 'PhysicalMemory' || cimClass === 'PhysicalMemoryArray')) return null;
  const { machine, warnings } = machineOfCim(records);
  return {
    format: 'cim-json',
    machine,
    warnings: cut ? ['truncated: the text ends before its last bracket', ...warnings] : warnings,
  };
}
