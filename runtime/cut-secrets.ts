/** What must not stand in a log, and what stands there instead. Patterns are linear: a log line may be hostile. */
const SECRETS: readonly (readonly [pattern: RegExp, instead: string])[] = [
  // the unguessable part of a customer's link
  [/(\/q\/|%2Fq%2F)[\w%-]{12,}/gi, '$1[link]'],
  [/(fenbrik-[a-z]+=)[^;\s"']+/g, '$1[cookie]'],
  // the password in the address of a database or a mail server
  [/(\b(?:postgres(?:ql)?|smtps?):\/\/[^:/@\s"]{0,200}:)[^@\s"]{1,500}@/g, '$1[password]@'],
  [/("?(?:password|signed|token|authorization)"?\s*[:=]\s*"?)[^"',\s}]+/gi, '$1[cut]'],
];

/** A log line without the secrets that it may hold: links, cookies, passwords. */
export function cutSecrets(line: string): string {
  return SECRETS.reduce((text, [pattern, instead]) => text.replace(pattern, instead), line);
}
