import { createHash } from 'node:crypto';
import { readFileSync } from 'node:fs';
import { createServer, type ServerResponse } from 'node:http';

/**
 * A small simulated outside world: the sellers' price feeds. `GET /SELLER` answers a seller's prices as
 * `"fenbrik": "feed/1"` with an ETag; prices and stock drift from the catalogue by the day, the same on the same day.
 * Each answer has a mood, which follows a seed: well, slow, an error, half a body, nonsense.
 *
 * Environment: FENBRIK_FEEDS_PORT; FENBRIK_FEEDS_CATALOGUE, a JSON file
 * `{currency, sellers: {SELLER: [{part, costCents, stock}]}}`; FENBRIK_FEEDS_MOODS, a number that moods follow, or a list
 * of moods that each seller's answers go through, such as `well,slow,half`, the last of which stays (default: well);
 * FENBRIK_FEEDS_DAY, the day that prices are of (default: today).
 */
interface Catalogue {
  currency: string;
  sellers: Record<string, { part: string; costCents: number; stock: number | null }[]>;
}

const MOODS = ['well', 'slow', 'error', 'half', 'nonsense'] as const;
type Mood = (typeof MOODS)[number];

/** Slow is slower than anybody waits, milliseconds. */
const SLOW_MS = 30_000;
/** So many of a hundred answers are well where moods follow a seed. */
const WELL_PERCENT = 85;

/** A number in [0, 1) that hangs on the text alone (FNV-1a). */
function scatter(text: string): number {
  let hash = 0x811c9dc5;
  for (let index = 0; index < text.length; index++) hash = Math.imul(hash ^ text.charCodeAt(index), 0x01000193);
  return (hash >>> 0) / 2 ** 32;
}

/** Today's price: some parts move a few percent either way, most stay. */
function drifted(part: string, costCents: number, day: string): number {
  const luck = scatter(`${day} ${part}`);
  return luck < 0.75 ? costCents : Math.max(1, Math.round(costCents * (0.93 + scatter(`${part} ${day}`) * 0.14)));
}

/** Today's stock: a few come and go. */
function stocked(part: string, stock: number | null, day: string): number | null {
  return stock === null || scatter(`stock ${day} ${part}`) < 0.8
    ? stock
    : Math.max(0, stock + Math.round(scatter(`${part} stock ${day}`) * 8) - 4);
}

const isMood = (text: string): text is Mood => (MOODS as readonly string[]).includes(text);

/** The mood of a seller's nth answer. */
function moodOf(moods: string, seller: string, nth: number): Mood {
  if (/^\d+$/.test(moods)) {
    const luck = scatter(`${moods} ${seller} ${nth}`) * 100;
    if (luck < WELL_PERCENT) return 'well';
    return MOODS[1 + Math.floor(((luck - WELL_PERCENT) / (100 - WELL_PERCENT)) * (MOODS.length - 1))] ?? 'error';
  }
  const list = moods.split(',').filter(isMood);
  return list[Math.min(nth, list.length - 1)] ?? 'well';
}

const {
  FENBRIK_FEEDS_PORT,
  FENBRIK_FEEDS_CATALOGUE = '',
  FENBRIK_FEEDS_MOODS = 'well',
  FENBRIK_FEEDS_DAY,
} = process.env;
const catalogue: Catalogue = JSON.parse(readFileSync(FENBRIK_FEEDS_CATALOGUE, 'utf8'));
const answered = new Map<string, number>();

function answer(response: ServerResponse, body: string, etag: string, mood: Mood): void {
  if (mood === 'error') {
    response.writeHead(500, { 'content-type': 'text/plain' }).end('out of order');
    return;
  }
  const text =
    mood === 'nonsense'
      ? '{"fenbrik": "feed/1", "currency": "EUR", "items": [{"part": 7, "costCents": "dear"}]}'
      : body;
  const length = Buffer.byteLength(text);
  response.writeHead(200, {
    'content-type': 'application/json',
    'content-length': length,
    ...(mood !== 'nonsense' && { etag }),
  });
  if (mood === 'half') {
    response.write(text.slice(0, Math.floor(text.length / 2)));
    setTimeout(() => response.destroy(), 50);
    return;
  }
  if (mood === 'slow') {
    response.write(text.slice(0, 1));
    setTimeout(() => response.end(text.slice(1)), SLOW_MS).unref();
    return;
  }
  response.end(text);
}

const server = createServer((request, response) => {
  const seller = (request.url ?? '').slice(1);
  const items = catalogue.sellers[seller];
  if (request.method !== 'GET' || items === undefined) {
    response.writeHead(404).end();
    return;
  }
  const nth = answered.get(seller) ?? 0;
  answered.set(seller, nth + 1);
  const mood = moodOf(FENBRIK_FEEDS_MOODS, seller, nth);
  const day = FENBRIK_FEEDS_DAY ?? new Date().toISOString().slice(0, 10);
  const priced = items.map(({ part, costCents, stock }) => ({
    part,
    costCents: drifted(part, costCents, day),
    stock: stocked(part, stock, day),
  }));
  const body = JSON.stringify({ fenbrik: 'feed/1', currency: catalogue.currency, items: priced });
  const etag = `"${createHash('sha256').update(body).digest('hex').slice(0, 32)}"`;
  if (mood === 'well' && request.headers['if-none-match'] === etag) {
    response.writeHead(304, { etag }).end();
    return;
  }
  answer(response, body, etag, mood);
});

server.listen(Number(FENBRIK_FEEDS_PORT), '127.0.0.1');
