import { dirname } from 'node:path';
import type { Import } from './imports';
import { AT_THE_ROOT, FOR_TESTS, MANY_FILES, MOST_FILES, ONE_WAY, ROOMS } from './rules';

/** All files with what they import, by their paths from the root. */
export type Files = ReadonlyMap<string, readonly Import[]>;

export const roomOf = (file: string): string => (file.includes('/') ? (file.split('/')[0] ?? '') : '');

/** Within a room that goes one way: an import of what stands above. */
function upward(file: string, to: string): string | null {
  const isAbove = Object.entries(ONE_WAY).some(([room, order]) => {
    const at = (path: string): number =>
      path.startsWith(`${room}/`) ? order.split(' ').indexOf(path.slice(room.length + 1).split('/')[0] ?? '') : -1;
    return at(file) >= 0 && at(to) > at(file);
  });
  return isAbove ? `${file} imports ${to}, which stands above it` : null;
}

/** What is wrong with one import of a room's file; null: nothing. */
function faultOf(file: string, { to, isPackage, isType }: Import): string | null {
  const room = roomOf(file);
  const rule = ROOMS[room] ?? { rooms: AT_THE_ROOT };
  if (isPackage) {
    if (isType || rule.packages === undefined) return null;
    const isKnown = rule.packages.split(' ').some((one) => one === to || (one === 'node:*' && to.startsWith('node:')));
    return isKnown ? null : `${file} imports the package ${to}: ${room} may not`;
  }
  const other = roomOf(to);
  if (FOR_TESTS.test(to)) return `${file} imports ${to}, which is for tests`;
  if (other === room) return upward(file, to);
  const below = `${rule.rooms} ${isType ? (rule.types ?? '') : ''}`.split(' ');
  if (other === '' || below.includes(other) || below.includes(to)) return null;
  return `${file} imports ${to}: ${room || 'an entry'} may not import ${other}`;
}

/** Circles of files that import each other, each once, as the files on it. */
export function circles(files: Files): string[][] {
  const found: string[][] = [];
  const done = new Set<string>();
  const on: string[] = [];
  const visit = (file: string): void => {
    const at = on.indexOf(file);
    if (at >= 0) found.push(on.slice(at));
    if (at >= 0 || done.has(file)) return;
    on.push(file);
    for (const { to, isPackage } of files.get(file) ?? []) if (!isPackage) visit(to);
    on.pop();
    done.add(file);
  };
  for (const file of files.keys()) visit(file);
  return found;
}

/** Folders with more files than can be overseen. */
function crowded(files: Files): string[] {
  const folders = [...files.keys()].filter((file) => !FOR_TESTS.test(file)).map((file) => dirname(file));
  return [...new Set(folders)].flatMap((folder) => {
    const count = folders.filter((one) => one === folder).length;
    const isFine = count <= MOST_FILES || folder === '.' || MANY_FILES.test(folder);
    return isFine ? [] : [`${folder} has ${count} files: at most ${MOST_FILES} can be overseen`];
  });
}

/** What is wrong with the house, a line each; nothing where all is well. */
export function faults(files: Files): string[] {
  const bound = [...files].filter(([file]) => !FOR_TESTS.test(file) && !['bench', 'e2e'].includes(roomOf(file)));
  const imports = bound.flatMap(([file, all]) => all.flatMap((one) => faultOf(file, one) ?? []));
  const round = circles(files).map((files) => `a circle: ${files.join(' → ')} → ${files[0]}`);
  return [...imports, ...round, ...crowded(files)];
}
