import { isHeadingOf, plainHeading } from './column-headings';
import { COLUMN_ROLES, type ColumnRole, ROLE_SIGNS } from './column-roles';
import type { CapacityIs } from './read-row';

/** Which column holds what, and how sure that is. */
export interface GuessedColumns {
  /** index of the row of headings; null: the list has none */
  headings: number | null;
  columns: Partial<Record<ColumnRole, number>>;
  /** whether capacities are a module's or the whole kit's, where the heading says so */
  capacityIs: CapacityIs | null;
  /** roles that a second column fits nearly as well */
  doubtful: ColumnRole[];
  /** what told each role; lists read before this was kept have none */
  signs?: Partial<Record<ColumnRole, ColumnSign>>;
}

/** Why a column was taken for what it is. */
export interface ColumnSign {
  /** its heading names it, or has a word of it, or says nothing */
  heading: 'name' | 'word' | null;
  /** of a hundred cells so many look like it */
  fitPercent: number;
}

/** Headings stand within the first rows, behind a letterhead. */
const MOST_ROWS_ABOVE = 15;
/** Rows looked at below the headings. */
const SAMPLE = 60;
/** A column needs this much to be taken for anything. */
const LEAST = 0.75;
/** A second column within this of the first makes a doubt. */
const NEAR = 0.15;

/** 1 where the whole heading is the role's name, 0.6 where a word of it is, half of that where it means another, else 0. */
function headingScore(role: ColumnRole, heading: string): number {
  const text = plainHeading(heading);
  if (text === '') return 0;
  const { words, unlike } = ROLE_SIGNS[role];
  const score = isHeadingOf(role, text) ? 1 : words.test(text) ? 0.6 : 0;
  return unlike?.test(text) === true ? score / 2 : score;
}

/** Headings that say whose capacity it is, without accents. */
const OF_MODULE =
  /\b(module|modul|each|per (piece|module|stick)|je (modul|stuck|riegel)|unitaire|par (module|barrette))\b/;
const OF_KIT = /\b(kit|total|pack|set|gesamt\w*|totale)\b/;

function capacityIsOf(heading: string): CapacityIs | null {
  const text = plainHeading(heading);
  const [module, kit] = [OF_MODULE.test(text), OF_KIT.test(text)];
  return module === kit ? null : module ? 'module' : 'kit';
}

/** The row that most looks like headings: several known names, none of them a number. */
function headingRow(rows: readonly (readonly string[])[]): number | null {
  const scored = rows.slice(0, MOST_ROWS_ABOVE).map((row) =>
    row.reduce((sum, cell) => {
      const best = Math.max(...COLUMN_ROLES.map((role) => headingScore(role, cell)));
      return sum + (/\d{3,}/.test(cell) ? -0.5 : best);
    }, 0),
  );
  const best = Math.max(0, ...scored);
  return best >= 1.5 ? scored.indexOf(best) : null;
}

interface Fit {
  role: ColumnRole;
  column: number;
  score: number;
  sign: ColumnSign;
}

/** Cells of one column below the headings, without empty ones. */
function cellsOf(rows: readonly (readonly string[])[], column: number): string[] {
  return rows.flatMap((row) => {
    const cell = row[column]?.trim() ?? '';
    return cell === '' ? [] : [cell];
  });
}

const filled = (row: readonly string[]): number => row.filter((cell) => cell.trim() !== '').length;

const signOf = (named: number, held: number): ColumnSign => ({
  heading: named >= 1 ? 'name' : named > 0 ? 'word' : null,
  fitPercent: Math.round(Math.min(1, held) * 100),
});

function allFits(rows: readonly (readonly string[])[], headings: number | null): Fit[] {
  const below = rows.slice(headings === null ? 0 : headings + 1);
  // Rows of one cell or two head a group or end the list: they are no offers.
  const most = Math.max(0, ...below.slice(0, SAMPLE).map(filled));
  const body = below.filter((row) => filled(row) * 2 > most).slice(0, SAMPLE);
  const width = Math.max(0, ...rows.slice(0, SAMPLE).map((row) => row.length));
  const fits: Fit[] = [];
  for (let column = 0; column < width; column++) {
    const cells = cellsOf(body, column);
    const heading = headings === null ? '' : (rows[headings]?.[column] ?? '');
    for (const role of COLUMN_ROLES) {
      const named = headingScore(role, heading);
      const held = cells.length === 0 ? 0 : ROLE_SIGNS[role].cells(cells);
      const { unnamed } = ROLE_SIGNS[role];
      const mayBeUnnamed = unnamed === undefined || (unnamed === 'without-headings' && headings === null);
      // A name that the cells belie counts little; cells without a name must be very sure.
      const score = named > 0 ? named * 0.9 + held : held >= 0.9 && mayBeUnnamed ? held * 0.85 : 0;
      if (score >= LEAST && (named > 0 ? held > 0.2 || cells.length === 0 : true))
        fits.push({ role, column, score, sign: signOf(named, held) });
    }
  }
  return fits.sort((a, b) => b.score - a.score || a.column - b.column);
}

/**
 * Guesses what the columns of a price list hold, by their headings and by what stands in them; each column has one role
 * and each role one column, the best fits first.
 *
 * @param rows the first rows of the list, letterhead and headings included
 */
export function guessColumns(rows: readonly (readonly string[])[]): GuessedColumns {
  const headings = headingRow(rows);
  const fits = allFits(rows, headings);
  const columns: Partial<Record<ColumnRole, number>> = {};
  const taken = new Set<number>();
  const won = new Map<ColumnRole, number>();
  const signs: Partial<Record<ColumnRole, ColumnSign>> = {};
  for (const { role, column, score, sign } of fits) {
    if (columns[role] !== undefined || taken.has(column)) continue;
    columns[role] = column;
    taken.add(column);
    won.set(role, score);
    signs[role] = sign;
  }
  const doubtful = [...won].flatMap(([role, score]) => {
    const second = fits.find((fit) => fit.role === role && fit.column !== columns[role] && !taken.has(fit.column));
    return second !== undefined && score - second.score < NEAR ? [role] : [];
  });
  const capacity =
    headings === null || columns.capacity === undefined ? '' : (rows[headings]?.[columns.capacity] ?? '');
  return { headings, columns, capacityIs: capacityIsOf(capacity), doubtful, signs };
}
