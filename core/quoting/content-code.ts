/** Letters of a code that stand together where people read it. */
const TOGETHER = 8;

/** A code as people read and compare it, in groups. */
export function codeText(code: string): string {
  return code.match(new RegExp(`.{1,${TOGETHER}}`, 'g'))?.join(' ') ?? '';
}

/** How what somebody typed off a paper compares with a code; null: too little was typed to tell. */
export function compareCode(typed: string, code: string): boolean | null {
  const letters = typed.toLowerCase().replace(/[\s-]+/g, '');
  return letters.length < TOGETHER ? null : code.startsWith(letters);
}
