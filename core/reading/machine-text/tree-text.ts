import { lines } from '../bytes/lines';
import { type Reading, UNTOLD_MACHINE } from '../reading';
import { readHardwareTree } from '../tree/hardware-tree';

interface Node {
  id: string;
  class?: string;
  children: Node[];
  [name: string]: unknown;
}

const NODE = /^(?<indent>\s*)\*-(?<id>[a-z][a-z0-9_-]*(?::\d+)*)(?: (?:UNCLAIMED|DISABLED))?\s*$/;
const FIELD = /^\s+(?<name>[a-z][a-z ]{1,30}): (?<value>.*)$/;
const MOST_NODES = 20_000;

/** Classes of nodes by the beginning of their ids, as such listings name them. */
const CLASSES: readonly (readonly [RegExp, string])[] = [
  [/^(?:memory|bank|firmware|cache)/, 'memory'],
  [/^cpu/, 'processor'],
  [/^core/, 'bus'],
];

const UNITS: Record<string, number> = { k: 2 ** 10, m: 2 ** 20, g: 2 ** 30, t: 2 ** 40 };

/** `8GiB` as bytes; null: it is no size. */
function bytesOf(text: string): number | null {
  const found = /^(\d+(?:\.\d+)?)([KMGT])i?B$/i.exec(text.trim());
  return found === null ? null : Number(found[1]) * (UNITS[(found[2] ?? '').toLowerCase()] ?? 1);
}

const HZ: Record<string, number> = { k: 1e3, m: 1e6, g: 1e9 };
/** `2667MHz (0.4ns)` as Hz. */
function hertzOf(text: string): number | null {
  const found = /^(\d+(?:\.\d+)?)([KMG])Hz/i.exec(text.trim());
  return found === null ? null : Math.round(Number(found[1]) * (HZ[(found[2] ?? '').toLowerCase()] ?? 1));
}

/** A field's value as the listing's JSON has it. */
function fieldValue(name: string, text: string): unknown {
  if (name === 'size' || name === 'capacity') return bytesOf(text) ?? undefined;
  if (name === 'clock') return hertzOf(text) ?? undefined;
  if (name === 'configuration') return Object.fromEntries(text.split(' ').map((pair) => pair.split('=', 2)));
  return text;
}

/** The nodes of the text's tree, each under the one that is less indented. */
function nodesOf(text: string): Node {
  const root: Node = { id: 'machine', class: 'system', children: [] };
  const path: { node: Node; indent: number }[] = [{ node: root, indent: -1 }];
  let count = 0;
  for (const { text: line } of lines(text)) {
    const begun = NODE.exec(line.slice(0, 300))?.groups;
    if (begun !== undefined) {
      const indent = begun.indent?.length ?? 0;
      while (path.length > 1 && (path.at(-1)?.indent ?? 0) >= indent) path.pop();
      const id = begun.id ?? '';
      const node: Node = { id, class: CLASSES.find(([pattern]) => pattern.test(id))?.[1] ?? 'generic', children: [] };
      path.at(-1)?.node.children.push(node);
      path.push({ node, indent });
      if (++count > MOST_NODES) return root;
      continue;
    }
    const field = FIELD.exec(line.slice(0, 600))?.groups;
    const node = path.at(-1)?.node;
    const name = field?.name === 'physical id' ? 'physid' : (field?.name ?? '');
    if (node === undefined || field === undefined || name === 'id' || name === 'children' || name === 'class') continue;
    node[name] ??= fieldValue(name, field.value ?? '');
  }
  return root;
}

const BYTES_PER_MIB = 1024 * 1024;

/** The node of the system's memory. */
function memoryOf(node: Node): Node | null {
  for (const child of node.children) {
    const found = /^memory(?::\d+)?$/.test(child.id) ? child : memoryOf(child);
    if (found !== null) return found;
  }
  return null;
}

const BANK = /^\s*\*-bank(?::\d+)?\s*$/m;
const MEMORY = /^\s*\*-memory(?::\d+)?\s*$/m;

/** Reads a hardware listing as text: `*-memory` with `*-bank:0` and on under it. Null: it is none, or names no bank. */
export function readTreeText(text: string): Reading | null {
  if (!BANK.test(text) && !MEMORY.test(text)) return null;
  const root = nodesOf(text);
  const reading = readHardwareTree({ value: root, cut: false });
  if (reading !== null) return { ...reading, format: 'machine-text' };
  // A listing without banks tells the size of all of it.
  const bytes = memoryOf(root)?.size;
  const installedMiB = typeof bytes === 'number' ? Math.floor(bytes / BYTES_PER_MIB) : 0;
  if (installedMiB === 0) return null;
  return {
    format: 'machine-text',
    machine: { ...UNTOLD_MACHINE, memory: { ...UNTOLD_MACHINE.memory, installedMiB } },
    warnings: [],
  };
}
