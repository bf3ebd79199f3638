import type { Token } from './tokens';

const STOPS = new Set(['but', 'close']);
const CONTENT = new Set([
  'ecc',
  'buffering',
  'form',
  'generation',
  'capacity',
  'split',
  'rate',
  'soldered',
  'slot',
  'module',
  'memory',
]);

/** Tokens that a word for "not" before them denies: up to a "but", a bracket's end, or a word for what is taken. */
function deniedAfter(tokens: readonly Token[], at: number, text: string): Set<Token> {
  const denied = new Set<Token>();
  let content = false;
  for (const token of tokens.slice(at + 1)) {
    if (STOPS.has(token.is)) break;
    if (content && (token.is === 'supports' || token.is === 'max')) break;
    if (token.is === 'comma' && text[token.start] === ';') break;
    if (CONTENT.has(token.is)) content = true;
    denied.add(token);
  }
  return content ? denied : new Set();
}

/** What lists of modules are made of. */
const LISTED = new Set(['ecc', 'buffering', 'form', 'generation', 'module', 'memory', 'and', 'or', 'open']);

/** Tokens that "is not supported" behind them denies: back to a "but" or a semicolon, or past a word for what is taken to the next comma. */
function deniedBefore(tokens: readonly Token[], at: number, text: string): Set<Token> {
  const before = tokens.slice(0, at);
  const stop = before.findLastIndex(
    (token) => token.is === 'but' || token.is === 'open' || (token.is === 'comma' && text[token.start] === ';'),
  );
  const clause = before.slice(stop + 1);
  const taken = clause.findLastIndex(({ is }) => is === 'supports');
  // A list goes on over its commas; what holds a figure before one is a clause of its own.
  let from = clause.findLastIndex(({ is }) => is === 'comma') + 1;
  while (from > 1 && from - 1 > taken) {
    const earlier = clause.slice(0, from - 1).findLastIndex(({ is }) => is === 'comma') + 1;
    const segment = clause.slice(earlier, from - 1);
    if (segment.length === 0 || !segment.every(({ is }) => LISTED.has(is))) break;
    from = earlier;
  }
  return new Set(clause.slice(from));
}

/** Everything in a unit that its text denies. */
export function deniedIn(text: string, tokens: readonly Token[]): ReadonlySet<Token> {
  const denied = new Set<Token>();
  tokens.forEach((token, index) => {
    if (token.is !== 'not') return;
    const after = deniedAfter(tokens, index, text);
    for (const one of after.size > 0 ? after : deniedBefore(tokens, index, text)) denied.add(one);
  });
  return denied;
}
