import { readFileSync } from 'node:fs';
import { createServer } from 'node:http';

/**
 * A small simulated outside world: the sellers' price feeds. `GET /SELLER` answers a seller's prices as
 * `"fenbrik": "feed/1"`; they drift from the catalogue by the day, the same on the same day.
 *
 * Environment: FENBRIK_FEEDS_PORT, and FENBRIK_FEEDS_CATALOGUE, a JSON file
 * `{currency, sellers: {SELLER: [{part, costCents, stock}]}}`.
 */
interface Catalogue {
  currency: string;
  sellers: Record<string, { part: string; costCents: number; stock: number | null }[]>;
}

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

const catalogue: Catalogue = JSON.parse(readFileSync(process.env.FENBRIK_FEEDS_CATALOGUE ?? '', 'utf8'));

const server = createServer((request, response) => {
  const items = catalogue.sellers[(request.url ?? '').slice(1)];
  if (request.method !== 'GET' || items === undefined) {
    response.writeHead(404).end();
    return;
  }
  const day = new Date().toISOString().slice(0, 10);
  const priced = items.map(({ part, costCents, stock }) => ({ part, costCents: drifted(part, costCents, day), stock }));
  response.writeHead(200, { 'content-type': 'application/json' });
  response.end(JSON.stringify({ fenbrik: 'feed/1', currency: catalogue.currency, items: priced }));
});

server.listen(Number(process.env.FENBRIK_FEEDS_PORT), '127.0.0.1');
