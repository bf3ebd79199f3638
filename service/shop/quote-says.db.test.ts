import { quotePdf } from '../../outward/papers/quote-pdf';
import { acceptedTill, fitted, fittedReport, workOf } from '../../testing/bench';
import { as, choose, must, openTestShop, readTill, seen, stateOf, thirdParty16 } from '../../testing/shop';
import { saveIntake } from '../job/intake/intake';
import { takeProof } from '../job/proof/proof';
import { signTheProof } from '../job/proof/sign-proof';
import { openQuote, sendQuote } from '../job/quote/quote';
import type { Caller } from '../staff/access';
import { saveIdentity, showIdentity } from './identity';
import { savePaperText, saveQuoteSays, showQuoteSays } from './quote-says';

const shop = openTestShop();
let owner: Caller<'shop.settings'>;
beforeAll(async () => {
  owner = await as('runa');
});

async function sent(language: 'en' | 'de' = 'en') {
  const id = await readTill(shop.teo);
  must(await saveIntake(shop.teo, id, { language }));
  await choose(shop.teo, id, 1, thirdParty16);
  const { token } = must(await sendQuote(shop.teo, id, { seen: await seen(id) }));
  return { id, quote: (await openQuote(token))?.quote };
}

test('a quote of a shop that says nothing says nothing', async () => {
  const { quote } = await sent();
  expect(quote?.guarantee ?? quote?.texts ?? quote?.perGb).toBeUndefined();
});

test('the notice of withdrawal begins with the model of the country that the shop is in', async () => {
  const { identity, currency, timeZone } = await showIdentity(owner);
  const move = (country: string) => saveIdentity(owner, { identity: { ...identity, country }, currency, timeZone });
  must(await move('AT'));
  expect((await showQuoteSays(owner)).withdrawal?.de).toContain(`Sie uns (${identity.name}`);
  must(await move('CH'));
  expect((await showQuoteSays(owner)).withdrawal).toBeNull();
  must(await move(identity.country));
});

test('texts have versions, of which a quote keeps that of its day, in its own language alone', async () => {
  must(await savePaperText(owner, { kind: 'terms', language: 'en', words: 'First terms.', seen: 0 }));
  must(await savePaperText(owner, { kind: 'bring', language: 'de', words: 'Bitte sichern.', seen: 0 }));
  const late = await savePaperText(owner, { kind: 'terms', language: 'en', words: 'Mine.', seen: 0 });
  expect(!late.ok && late.sentence).toContain('Somebody changed this text meanwhile');
  const before = await sent();
  expect(before.quote?.texts).toEqual([{ kind: 'terms', version: 1, words: 'First terms.' }]);
  must(await savePaperText(owner, { kind: 'terms', language: 'en', words: 'Second terms.', seen: 1 }));
  expect((await stateOf(before.id)).sent[0]?.snapshot.texts).toEqual([
    { kind: 'terms', version: 1, words: 'First terms.' },
  ]);
  expect((await sent()).quote?.texts).toEqual([{ kind: 'terms', version: 2, words: 'Second terms.' }]);
  expect((await sent('de')).quote?.texts).toEqual([{ kind: 'bring', version: 1, words: 'Bitte sichern.' }]);
  // An empty one is on no quote, and its versions go on.
  must(await savePaperText(owner, { kind: 'terms', language: 'en', words: '', seen: 2 }));
  expect((await sent()).quote?.texts).toBeUndefined();
  expect((await showQuoteSays(owner)).texts.find(({ kind }) => kind === 'terms')).toMatchObject({ version: 3 });
});

test('an earlier job says until when what was fitted is under guarantee, by the day of its proof', async () => {
  must(await saveQuoteSays(owner, { guaranteePartsMonths: 24, guaranteeWorkMonths: 0, paperPerGb: false }));
  const id = await acceptedTill(shop.teo);
  await fitted(shop.teo, id);
  const later = async () => {
    const next = await readTill(shop.teo);
    return (await stateOf(next)).earlier.find((one) => one.id === id);
  };
  // Nothing is proved: nothing has begun.
  expect(await later()).toMatchObject({ partsUntil: null, workUntil: null });
  must(await takeProof(shop.teo, id, await fittedReport(id)));
  const proof = (await workOf(id)).proofs[0]?.id ?? 0;
  must(await signTheProof(shop.teo, id, { proof, verdict: 'kept', remark: '', depth: 'started', loadedMinutes: null }));
  const until = new Date(`${(await stateOf(id)).today}T00:00:00Z`);
  until.setUTCFullYear(until.getUTCFullYear() + 2);
  expect(await later()).toMatchObject({ partsUntil: until.toISOString().slice(0, 10), workUntil: null });
});

test('the guarantee and what a GB costs stand on quotes from then on, and long terms go over pages', async () => {
  must(await saveQuoteSays(owner, { guaranteePartsMonths: 24, guaranteeWorkMonths: 0, paperPerGb: true }));
  const words = Array.from({ length: 120 }, (_, nr) => `${nr + 1}. A long sentence of the terms of the shop.`).join(
    '\n\n',
  );
  must(await savePaperText(owner, { kind: 'terms', language: 'en', words, seen: 3 }));
  const { quote } = await sent();
  expect(quote).toMatchObject({ guarantee: { partsMonths: 24, workMonths: 0 }, perGb: true });
  if (quote === undefined) throw new Error('no quote');
  const pdf = (await quotePdf(quote, 'a'.repeat(64), { paper: 'A4', logo: null })).toString('latin1');
  expect(pdf.match(/\/Type \/Page\b/g)?.length ?? 0).toBeGreaterThan(1);
});
