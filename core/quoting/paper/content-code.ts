/** Letters of a code that stand together where people read it. */
const TOGETHER = 8;

/** A code as people read and compare it, in groups. */
export function codeText(code: string): string {
  return code.match(new RegExp(`.{1,${TOGETHER}}`, 'g'))?.join(' ') ?? '';
}
