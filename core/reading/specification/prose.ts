/** Words that somebody writes of himself, which no specification does. */
const OF_ONESELF =
  /(?<![a-z'])(?:i'm|i've|i'd|i'll|i (?:have|am|was|would|think|need|want|bought|tried|wonder|guess|hope|put|can|got)|my|ich|mein(?:e|en|em|er|s)?|mir|j'ai|je (?:suis|veux|voudrais|peux|pense|crois|cherche|dois|ne|l')|mon|mes|yo|tengo|quiero|ik|mijn|ho|mio|vorrei|meu|minha|tenho|gostaria)(?![a-z'])/g;
const GREETING =
  /^\s*(?:dear|hi|hello|hey|good (?:morning|afternoon|evening)|hallo|guten (?:tag|morgen)|moin|liebe[rs]?|sehr geehrte|bonjour|salut|madame|monsieur|cher|chere|hola|buen[oa]s|estimad[oa]|beste|geachte|goedemorgen|gentile|buongiorno|ciao|caro|cara|ola|prezad[oa]|bom dia)(?![a-z])/m;
const LOG_LINE =
  /^\W*(?:\d{4}-\d\d-\d\d|\d\d:\d\d:\d\d|[a-z]{3} [ \d]\d \d\d:|\[? *\d+\.\d{3,}\]|(?:error|warn(?:ing)?|info|debug|trace|fatal)(?![a-z]))/;
const CODE_LINE =
  /[{};]\s*$|=>|\(\)|^\s*(?:import|export|const|let|var|def|class|return|function|public|private|#include|select|insert|if \(|for \()(?![a-z])/;

/** Lines looked at. */
const MOST_LINES = 400;

/** Is a folded text a letter, a log or a program? Such texts name machines and memory and specify nothing. */
export function isOtherProse(folded: string): boolean {
  const head = folded.slice(0, 40_000);
  const own = head.match(OF_ONESELF)?.length ?? 0;
  if (
    GREETING.test(head.slice(0, 400)) &&
    (own > 0 || /[?]|regards|thank|gruss|dank|merci|gracias|grazie|obrigad/.test(head))
  )
    return true;
  if (own >= 2 || (own === 1 && head.includes('?'))) return true;
  const lines = head.split('\n', MOST_LINES).filter((line) => line.trim() !== '');
  const share = (pattern: RegExp): number =>
    lines.filter((line) => pattern.test(line)).length / Math.max(1, lines.length);
  return (lines.length > 1 && share(LOG_LINE) >= 0.4) || (lines.length > 2 && share(CODE_LINE) >= 0.3);
}
