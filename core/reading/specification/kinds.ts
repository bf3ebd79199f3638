import type { Buffering, Kind } from '../../memory/module';
import type { Token } from './tokens';
import type { SpecUnit } from './units';
import { has } from './units';
import { SUPPORTS, YES } from './words';

/** What one stretch of a text says of the modules that are taken: both parts, or one. */
export interface ClaimedKind {
  buffering: Buffering | null;
  ecc: boolean | null;
  start: number;
  end: number;
}

const PARTS = new Set(['comma', 'and', 'or', 'open', 'close', 'but']);
/** Modules of these kinds always have check bits (JEDEC 21-C 4.20: 72 or 80 bits). */
const WITH_ECC: ReadonlySet<Buffering> = new Set(['registered', 'load-reduced', 'fully-buffered']);

/** Is "ECC" here something that may be used, and not what every module has? `ECC: yes`, `ECC support`. */
function isAbility(unit: SpecUnit, token: Token): boolean {
  if (token.end <= unit.labelEnd && has(YES, unit.text.slice(unit.labelEnd))) return true;
  const behind = unit.text.slice(token.end, token.end + 30);
  return (
    /^[ -]*(?:memory |speicher|ram )?(?:support|capab|unterst|funktion|function)/.test(behind) ||
    (/^[ :]*(?:yes|ja|oui|si|sim)\b/.test(behind) && has(SUPPORTS, behind))
  );
}

/** The kinds that a unit names, stretch by stretch. */
export function kindsIn(unit: SpecUnit, tokens: readonly Token[], denied: ReadonlySet<Token>): ClaimedKind[] {
  const said: ClaimedKind[] = [];
  let one: ClaimedKind | null = null;
  for (const token of tokens) {
    if (PARTS.has(token.is)) {
      if (one !== null) said.push(one);
      one = null;
      continue;
    }
    const buffering = token.is === 'buffering' || token.is === 'form' ? token.buffering : null;
    if (token.is !== 'ecc' && buffering === null) continue;
    // Where something is denied, what is left of it is the other of the two.
    if (denied.has(token)) {
      if (token.is !== 'ecc' || !token.ecc) continue;
      one = { ...(one ?? { buffering: null, start: token.start }), ecc: false, end: token.end };
      continue;
    }
    if (token.is === 'ecc' && token.ecc && isAbility(unit, token)) continue;
    one ??= { buffering: null, ecc: null, start: token.start, end: token.end };
    one.end = token.end;
    if (token.is === 'ecc') one.ecc = token.ecc;
    else one.buffering = buffering;
  }
  if (one !== null) said.push(one);
  return said;
}

const kindKey = ({ buffering, ecc }: Kind): string => `${buffering} ${ecc}`;

/**
 * The kinds that all stretches of a text come to: whole ones as they stand, halves put together with the halves of the other
 * sort. An SO-DIMM of which only ECC is said is unbuffered; registered modules have ECC. Null: not enough is said.
 */
export function kindsOf(said: readonly ClaimedKind[], form: string | null): Kind[] | null {
  const whole = said.flatMap(({ buffering, ecc }): Kind[] => {
    if (buffering === null) return [];
    if (ecc !== null) return [{ buffering, ecc }];
    return WITH_ECC.has(buffering) ? [{ buffering, ecc: true }] : [];
  });
  const eccs = [...new Set(said.flatMap(({ buffering, ecc }) => (buffering === null && ecc !== null ? [ecc] : [])))];
  const bare = said.flatMap(({ buffering, ecc }) => (ecc === null && buffering === 'unbuffered' ? [buffering] : []));
  const unbuffered = bare.length > 0 || whole.some(({ buffering }) => buffering === 'unbuffered') || form === 'SO-DIMM';
  const joined = unbuffered ? eccs.map((ecc): Kind => ({ buffering: 'unbuffered', ecc })) : [];
  // Unbuffered modules of which nobody says whether they have ECC leave the list open.
  if (bare.length > 0 && joined.length === 0 && !whole.some(({ buffering }) => buffering === 'unbuffered')) return null;
  const kinds = new Map([...whole, ...joined].map((kind) => [kindKey(kind), kind]));
  return kinds.size === 0
    ? null
    : [...kinds.values()].sort(
        (a, b) => ORDER.indexOf(a.buffering) - ORDER.indexOf(b.buffering) || Number(a.ecc) - Number(b.ecc),
      );
}

const ORDER: readonly Buffering[] = ['unbuffered', 'registered', 'load-reduced', 'fully-buffered'];
