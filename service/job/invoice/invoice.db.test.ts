import { many, pool } from '../../../store/database';
import { listAllInvoices } from '../../../store/job/invoices';
import { acceptedTill, fitted, fittedReport, workOf } from '../../../testing/bench';
import { READER } from '../../../testing/reader';
import { must, openTestShop, stateOf } from '../../../testing/shop';
import { saveIntake } from '../intake/intake';
import { takeProof } from '../proof/proof';
import { signTheProof } from '../proof/sign-proof';
import { openQuote } from '../quote/quote';
import { cancelTheInvoice, issueInvoice, notePayment, takeBackPayment } from './invoice';
import { invoiceByLink, invoicePaper, invoiceXml, invoiceXmlByLink } from './invoice-files';
import { moneyView } from './view';

const shop = openTestShop();
const money = async (id: number) => moneyView(await stateOf(id));
const today = async (id: number) => (await stateOf(id)).today;
/** A job whose machine is fitted. */
async function supplied(): Promise<number> {
  const id = await acceptedTill(shop.teo);
  await fitted(shop.teo, id);
  return id;
}

test('what is accepted becomes an invoice once it is supplied: numbered without gaps, frozen, once', async () => {
  const id = await acceptedTill(shop.teo);
  const suppliedOn = await today(id);
  const early = await issueInvoice(shop.teo, id, { suppliedOn });
  expect(!early.ok && early.sentence).toContain('finish Fitting first');
  await fitted(shop.teo, id);
  const future = await issueInvoice(shop.teo, id, { suppliedOn: '2099-01-01' });
  expect(!future.ok && future.sentence).toContain('in the future');
  const past = await issueInvoice(shop.teo, id, { suppliedOn: '2020-01-01' });
  expect(!past.ok && past.sentence).toContain('before the customer accepted');
  must(await saveIntake(shop.teo, id, { street: '3 Quay Row', town: 'Skerrow', country: 'IE' }));
  const [first, second] = await Promise.all([
    issueInvoice(shop.teo, id, { suppliedOn }),
    issueInvoice(shop.teo, id, { suppliedOn }),
  ]);
  // Two who press at once make one.
  expect([first.ok, second.ok].sort()).toEqual([false, true]);
  const number = (await money(id))?.invoices[0]?.number ?? '';
  expect(number).toMatch(/^INV-20\d\d-0001$/);
  const other = await supplied();
  expect(must(await issueInvoice(shop.teo, other, { suppliedOn })).number).toMatch(/-0002$/);
  const { invoices, accepted } = await workOf(id);
  expect(invoices[0]?.snapshot).toMatchObject({
    suppliedOn,
    totalCents: accepted?.whole.totalCents,
    quote: { number: accepted?.quote.number, place: 1 },
  });
  // What is typed later changes no paper that is out.
  const before = await invoicePaper(READER, id, number);
  must(await saveIntake(shop.teo, id, { street: 'elsewhere' }));
  expect((await workOf(id)).invoices[0]?.snapshot.customer).toMatchObject({ street: '3 Quay Row', town: 'Skerrow' });
  expect((await invoicePaper(READER, id, number))?.bytes.equals(before?.bytes ?? Buffer.alloc(0))).toBe(true);
  expect(await invoicePaper(READER, other, number)).toBeNull();
  const xml = (await invoiceXml(READER, id, number))?.bytes.toString('utf8') ?? '';
  expect(xml).toContain(`<cbc:ID>${number}</cbc:ID>`);
  expect(xml).not.toMatch(/costCents|margin/i);
});

test('payments are noted with their day, stand on the invoice that follows, and say how it stands', async () => {
  const id = await supplied();
  const on = await today(id);
  const { totalCents = 0 } = (await money(id)) ?? {};
  must(await notePayment(shop.teo, id, { cents: 1000, on, way: 'cash', note: 'deposit' }));
  must(await notePayment(shop.teo, id, { cents: 5, on, way: 'card', note: '' }));
  expect((await notePayment(shop.teo, id, { cents: 5, on: '2099-01-01', way: 'card', note: '' })).ok).toBe(false);
  const slip = (await money(id))?.payments.find(({ cents }) => cents === 5)?.id ?? 0;
  must(await takeBackPayment(shop.teo, id, { payment: slip }));
  expect((await takeBackPayment(shop.teo, id, { payment: slip })).ok).toBe(false);
  must(await issueInvoice(shop.teo, id, { suppliedOn: on }));
  const seen = await money(id);
  expect(seen).toMatchObject({ paidCents: 1000, invoices: [{ state: 'open', totalCents }] });
  expect((await workOf(id)).invoices[0]?.snapshot.prepaid).toEqual([{ on, cents: 1000, way: 'cash' }]);
  const onPaper = await takeBackPayment(shop.teo, id, { payment: seen?.payments[0]?.id ?? 0 });
  expect(!onPaper.ok && onPaper.sentence).toContain('stands on the invoice');
  // One like it that was noted afterwards by mistake is none of the paper.
  must(await notePayment(shop.teo, id, { cents: 1000, on, way: 'cash', note: '' }));
  const twin = (await money(id))?.payments.at(-1)?.id ?? 0;
  must(await takeBackPayment(shop.teo, id, { payment: twin }));
  expect((await money(id))?.paidCents).toBe(1000);
  const open = async () =>
    (await listAllInvoices(pool(), { most: 100, after: 0, openOnly: true })).some((one) => one.jobId === id);
  expect(await open()).toBe(true);
  must(await notePayment(shop.teo, id, { cents: totalCents - 1000, on, way: 'transfer', note: '' }));
  expect((await money(id))?.invoices[0]?.state).toBe('paid');
  expect(await open()).toBe(false);
});

test('a wrong one is cancelled and stays, another follows, and the customer gets the one that counts', async () => {
  const id = await supplied();
  must(await takeProof(shop.teo, id, await fittedReport(id)));
  const [proof] = (await workOf(id)).proofs;
  const sign = {
    proof: proof?.id ?? 0,
    verdict: 'kept',
    remark: '',
    depth: 'total-read',
    loadedMinutes: null,
  } as const;
  must(await signTheProof(shop.teo, id, sign));
  const { links, sent, today: on } = await stateOf(id);
  const token = links.get(sent[0]?.id ?? 0)?.token ?? '';
  expect(await invoiceByLink(token)).toBeNull();
  expect((await openQuote(token))?.hasInvoice).toBe(false);
  const wrong = must(await issueInvoice(shop.teo, id, { suppliedOn: on })).number;
  expect((await openQuote(token))?.hasInvoice).toBe(true);
  must(await cancelTheInvoice(shop.teo, id, { why: 'wrong address' }));
  expect((await cancelTheInvoice(shop.teo, id, { why: 'again' })).ok).toBe(false);
  expect(await invoiceByLink(token)).toBeNull();
  const right = must(await issueInvoice(shop.teo, id, { suppliedOn: on })).number;
  expect(right).not.toBe(wrong);
  expect((await money(id))?.invoices.map(({ number, state }) => [number, state])).toEqual([
    [right, 'open'],
    [wrong, null],
  ]);
  expect((await invoiceByLink(token))?.name).toBe(`${right}.pdf`);
  expect((await invoiceXmlByLink(token))?.bytes.toString('utf8')).toContain(right);
  // A cancelled one can be printed, and is for no other program.
  expect((await invoicePaper(READER, id, wrong))?.bytes.byteLength).toBeGreaterThan(1000);
  expect(await invoiceXml(READER, id, wrong)).toBeNull();
  expect(await invoiceByLink('nothing')).toBeNull();
  const numbers = await many<{ number: string }>(pool(), 'select number from invoice order by id', []);
  const places = numbers.map(({ number }) => Number(number.slice(-4)));
  expect(places).toEqual(places.map((_, nr) => nr + 1));
});
