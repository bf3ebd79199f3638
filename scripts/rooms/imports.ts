import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative } from 'node:path';
import { type ModuleItem, parseSync } from '@swc/core';
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
export const sourceFiles = (root: string): string[] =>
  Object.keys(ROOMS)
    .flatMap((room) => readdirSync(join(root, room), { recursive: true }).map((name) => join(room, String(name))))
    .concat(readdirSync(root))
    .filter((file) => /\.(tsx?|mjs)$/.test(file) && !file.endsWith('.d.ts'))
    .sort();

/** What an import or a re-export names, as it is written. */
function saidBy(item: ModuleItem): { said: string; isType: boolean }[] {
  if (!('source' in item) || !item.source) return [];
  const named = 'specifiers' in item ? item.specifiers : [];
  const isEach = named.length > 0 && named.every((one) => 'isTypeOnly' in one && one.isTypeOnly);
  return [{ said: item.source.value, isType: isEach || ('typeOnly' in item && item.typeOnly === true) }];
}

/** `import('…')` and `new Worker(new URL('…', import.meta.url))` anywhere in a file. */
const LATER = /\bimport\(\s*['"]([^'"]+)['"]\s*\)|new URL\(\s*['"](\.[^'"]+)['"]\s*,\s*import\.meta\.url/g;

const ENDINGS = ['', '.ts', '.tsx', '.mjs', '/index.ts', '.d.ts', '.mts', '.d.mts'];

/** What a file imports; what leads nowhere is left to the compiler. */
export function importsOf(root: string, file: string): Import[] {
  const text = readFileSync(join(root, file), 'utf8');
  const { body } = parseSync(text, { syntax: 'typescript', tsx: file.endsWith('x'), target: 'es2022' });
  const later = [...text.matchAll(LATER)].map((found) => ({ said: found[1] ?? found[2] ?? '', isType: false }));
  return [...(body as ModuleItem[]).flatMap(saidBy), ...later].flatMap(({ said, isType }): Import[] => {
    if (!/^(?:\.|@\/)/.test(said))
      return [{ to: /^(?:node:\w+|(?:@[^/]+\/)?[^/]+)/.exec(said)?.[0] ?? said, isPackage: true, isType }];
    const path = said.startsWith('@/') ? said.slice(2) : relative('.', join(dirname(file), said));
    const ending = ENDINGS.find((one) => /\.\w+$/.test(path + one) && existsSync(join(root, path + one)));
    return ending === undefined ? [] : [{ to: path + ending, isPackage: false, isType }];
  });
}
