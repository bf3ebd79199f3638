import { readdirSync } from 'node:fs';
import { join, relative } from 'node:path';

export interface Route {
  /** as the framework writes it: `/api/jobs/[id]/reading` */
  path: string;
  /** a page is only ever asked for; a handler may be sent something */
  kind: 'page' | 'handler';
}

interface Pattern extends Route {
  segments: readonly string[];
}

const segmentsOf = (path: string): string[] => path.split('/').filter((part) => part !== '');

/** Fixed parts before variable ones: `/api/models/import` is not the model "import". */
const weight = ({ segments }: Pattern): string => segments.map((part) => (part.startsWith('[') ? '1' : '0')).join('');

/**
 * The application's routes.
 *
 * @param manifest what the build writes to `app-path-routes-manifest.json`: source file without ending → route
 */
export function readRoutes(manifest: Record<string, string>): (path: string) => Route | null {
  const patterns = Object.entries(manifest)
    .map(([source, path]): Pattern => {
      const kind = source.endsWith('/route') ? 'handler' : 'page';
      return { path, kind, segments: segmentsOf(path) };
    })
    .sort((a, b) => (weight(a) < weight(b) ? -1 : 1));
  return (path) => {
    const parts = segmentsOf(path);
    const found = patterns.find(
      ({ segments }) =>
        segments.length === parts.length && segments.every((part, at) => part.startsWith('[') || part === parts[at]),
    );
    return found === undefined ? null : { path: found.path, kind: found.kind };
  };
}

/** What a build's manifest would say of the pages and handlers in a folder, for when there is no build. */
export function routesIn(folder: string): Record<string, string> {
  const sources = readdirSync(folder, { recursive: true, withFileTypes: true })
    .filter((entry) => entry.isFile() && /^(page\.tsx|route\.tsx?)$/.test(entry.name))
    .map((entry) => ({ path: `/${relative(folder, entry.parentPath)}`, name: entry.name.replace(/\.tsx?$/, '') }));
  return Object.fromEntries(sources.map(({ path, name }) => [join(path, name), path]));
}
