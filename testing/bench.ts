import { reportText } from '../demo/report';
import { textInput } from '../scripts/text-input';
import { beginFitting, tickStep } from '../service/job/bench/fitting';
import { acceptSpoken } from '../service/job/quote/accept';
import { sendQuote } from '../service/job/quote/quote';
import { placeOrder } from '../service/orders/orders';
import type { Caller, Right } from '../service/staff/access';
import { choose, must, readTill, seen, stateOf, thirdParty16 } from './shop';

/** A till of its own serial, its quote sent. */
export async function sentTill(caller: Caller<Right>, fits = thirdParty16): Promise<number> {
  const id = await readTill(caller);
  await choose(caller, id, 1, fits);
  must(await sendQuote(caller, id, { seen: await seen(id) }));
  return id;
}

export async function acceptedTill(caller: Caller<Right>, fits = thirdParty16): Promise<number> {
  const id = await sentTill(caller, fits);
  const [option] = (await stateOf(id)).sent[0]?.snapshot.options ?? [];
  must(await acceptSpoken(caller, id, { place: 1, signed: 'Hedda Vane', ticked: option?.statements ?? [] }));
  return id;
}

export const workOf = async (id: number) => (await stateOf(id)).work;

/** Orders all that a job wants, of each of its sellers. */
export async function orderAll(caller: Caller<Right>, id: number): Promise<number[]> {
  const { wanted } = await workOf(id);
  const orders: number[] = [];
  for (const seller of new Set(wanted.map(({ sellerId }) => sellerId))) {
    const parts = wanted
      .filter(({ sellerId }) => sellerId === seller)
      .map(({ offerId, quantity }) => ({ job: id, offer: offerId, quantity }));
    orders.push(must(await placeOrder(caller, { seller, parts, note: '' })).id);
  }
  return orders;
}

export async function fitted(caller: Caller<Right>, id: number): Promise<void> {
  const { id: fitting } = must(await beginFitting(caller, id));
  for (const { key } of (await workOf(id)).fittings[0]?.steps ?? []) {
    must(await tickStep(caller, id, fitting, { what: 'done', step: key }));
  }
}

/** What the till says with its option fitted, or with something else in its slots. */
export async function fittedReport(
  id: number,
  change: { serial?: string; rate?: number; drop?: string; newSerial?: string } = {},
) {
  const { accepted } = await workOf(id);
  if (accepted === null) throw new Error('nothing is accepted');
  const { after, rateMTs } = accepted.option;
  return textInput(
    'report after fitting',
    reportText({
      maker: 'Tarnholt',
      product: 'tc4-1900',
      serial: change.serial ?? 'S-1',
      cpu: 'Merle 4300',
      maxGb: 64,
      devices: after.map(({ slot, capacityMiB, fate }) => ({
        locator: slot,
        mb: slot === change.drop ? null : capacityMiB,
        rate: change.rate ?? rateMTs,
        ranks: 1,
        ...(fate === 'new' && change.newSerial !== undefined && { serial: change.newSerial }),
      })),
    }),
  );
}
