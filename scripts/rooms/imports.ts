import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { type ModuleItem, type Program, parseSync } from '@swc/core';
import { ROOMS } from './rules';

/** An import of a file: of another of our files, or of a package. */
export interface Import {
  /** path from the checkout's root; a package's name where `isPackage` */
  to: string;
  isPackage: boolean;
  /** types alone: nothing of it is there at run time */
  isType: boolean;
}

/** All source files, by their paths from the root. */
export function sourceFiles(root: string): string[] {
  const inRooms = Object.keys(ROOMS)
    .filter((room) => existsSync(join(root, room)))
    .flatMap((room) =>
      readdirSync(join(root, room), { recursive: true, withFileTypes: true })
        .filter((entry) => entry.isFile())
        .map((entry) => relative(root, join(entry.parentPath, entry.name))),
    );
  return [...inRooms, ...readdirSync(root)]
    .filter((file) => /\.(tsx?|mjs)$/.test(file) && !file.endsWith('.d.ts'))
    .sort();
}

const ENDINGS = ['', '.ts', '.tsx', '.mjs', '/index.ts', '.d.ts', '.mts', '.d.mts'];

/** Where an import leads; a package's name, a file's path, or null where it leads nowhere. */
function resolved(root: string, from: string, said: string): Omit<Import, 'isType'> | null {
  const isOurs = said.startsWith('.') || said.startsWith('@/');
  if (!isOurs) return { isPackage: true, to: /^(?:node:\w+|(?:@[^/]+\/)?[^/]+)/.exec(said)?.[0] ?? said };
  const path = said.startsWith('@/') ? said.slice(2) : relative('.', join(dirname(from), said));
  const ending = ENDINGS.find((one) => /\.\w+$/.test(path + one) && existsSync(join(root, path + one)));
  return ending === undefined ? null : { isPackage: false, to: path + ending };
}

function saidBy(item: ModuleItem): { said: string; isType: boolean } | null {
  if (item.type === 'ImportDeclaration') {
    const named = item.specifiers.length > 0 && item.specifiers.every((one) => 'isTypeOnly' in one && one.isTypeOnly);
    return { said: item.source.value, isType: item.typeOnly || named };
  }
  const isExport = item.type === 'ExportAllDeclaration' || item.type === 'ExportNamedDeclaration';
  if (!isExport || !item.source) return null;
  return { said: item.source.value, isType: 'typeOnly' in item && item.typeOnly === true };
}

/** `import('…')` and `new Worker(new URL('…', import.meta.url))` anywhere in a file. */
const LATER = /\bimport\(\s*['"]([^'"]+)['"]\s*\)|new URL\(\s*['"](\.[^'"]+)['"]\s*,\s*import\.meta\.url/g;

/** What a file imports. */
export function importsOf(root: string, file: string): Import[] {
  const text = readFileSync(join(root, file), 'utf8');
  const parsed: Program = parseSync(text, { syntax: 'typescript', tsx: file.endsWith('x'), target: 'es2022' });
  const at = parsed.body.flatMap((item) => saidBy(item as ModuleItem) ?? []);
  const later = [...text.matchAll(LATER)].map((found) => ({ said: found[1] ?? found[2] ?? '', isType: false }));
  return [...at, ...later].flatMap(({ said, isType }) => {
    const led = resolved(root, file, said);
    return led === null ? [] : [{ ...led, isType }];
  });
}
