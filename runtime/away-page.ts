import type { DatabaseFault } from './database-faults';

/** After so long it is worth trying again, seconds. */
export const AWAY_RETRY_S = 5;

const WORDS: Record<DatabaseFault, readonly [lang: string, head: string, text: string][]> = {
  away: [
    ['en', 'Back in a moment', 'This page cannot be shown just now. Nothing is lost: it is tried again by itself.'],
    [
      'de',
      'Gleich wieder da',
      'Diese Seite kann gerade nicht gezeigt werden. Es ist nichts verloren: Sie wird von selbst neu geladen.',
    ],
    [
      'fr',
      'De retour dans un instant',
      'Cette page ne peut pas être affichée pour l’instant. Rien n’est perdu : elle se recharge d’elle-même.',
    ],
  ],
  full: [
    [
      'en',
      'The disk is full',
      'The database’s disk has no room left. What was saved is safe. Whoever runs Fenbrik has to free some room.',
    ],
    [
      'de',
      'Die Festplatte ist voll',
      'Die Festplatte der Datenbank ist voll. Was gespeichert ist, ist sicher. Wer Fenbrik betreibt, muss Platz schaffen.',
    ],
    [
      'fr',
      'Le disque est plein',
      'Le disque de la base de données est plein. Ce qui est enregistré est en sécurité. Il faut libérer de la place.',
    ],
  ],
};

/** A plain page without a script or a style, for when the database is away: it needs nothing but itself. */
export function awayPage(fault: DatabaseFault): string {
  const sections = WORDS[fault]
    .map(([lang, head, text]) => `<section lang="${lang}"><h1>${head}</h1><p>${text}</p></section>`)
    .join('\n');
  return `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta http-equiv="refresh" content="${AWAY_RETRY_S}"><title>${WORDS[fault][0]?.[1]}</title></head>
<body><main>
${sections}
</main></body></html>`;
}

export const AWAY_HEADERS = {
  'content-type': 'text/html; charset=utf-8',
  'retry-after': String(AWAY_RETRY_S),
  'cache-control': 'no-store',
} as const;
