import { createInterface } from 'node:readline/promises';
import { NO_IDENTITY } from '../core/shop/identity';
import { newShopSchema, openShop } from '../service/shop/open-shop';
import { closePool } from '../store/database';
import { giveUp, say } from './setup.mjs';
import { clusterFolder, openCluster } from './start/cluster';
import { actAsRoles, migrated } from './start/roles-of-shop';
import { chosenDatabase } from './start/which-shop';

/** What is asked, with the answer that an empty line gives. */
const QUESTIONS = {
  name: ['Name of the shop', ''],
  town: ['Town', ''],
  street: ['Street and number', ''],
  postalCode: ['Postal code', ''],
  country: ['Country (ISO 3166-1, two letters)', ''],
  phone: ['Telephone', ''],
  currency: ['Currency (ISO 4217)', 'EUR'],
  timeZone: ['Time zone', 'UTC'],
  taxPercent: ['Tax in percent', '20'],
  labour: ['Labour of one upgrade, with tax', '29'],
  ownerName: ['Name of the first owner', ''],
  signIn: ['The owner signs in as', 'owner'],
  password: ['First password, at least 10 characters', ''],
} as const;
type Answers = Record<keyof typeof QUESTIONS, string>;

async function ask(): Promise<Answers> {
  const lines = createInterface({ input: process.stdin, output: process.stdout });
  const typed = lines[Symbol.asyncIterator]();
  const answers: Partial<Answers> = {};
  for (const [key, [question, usual]] of Object.entries(QUESTIONS)) {
    process.stdout.write(`${question}${usual === '' ? '' : ` [${usual}]`}: `);
    const line = await typed.next();
    answers[key as keyof Answers] = (line.done ? '' : line.value.trim()) || usual;
  }
  lines.close();
  return answers as Answers;
}

const cluster = process.env.DATABASE_URL
  ? null
  : await openCluster(clusterFolder())
      .then((cluster) => chosenDatabase(cluster, 'off'))
      .catch((error: Error) => giveUp(error.message));
if (cluster !== null) await actAsRoles(cluster);
await migrated();
const { taxPercent, labour, ownerName, signIn, password, ...own } = await ask();
const shop = newShopSchema.safeParse({
  ...NO_IDENTITY,
  ...own,
  taxBp: Math.round(Number(taxPercent) * 100),
  labourCents: Math.round(Number(labour) * 100),
  owner: { name: ownerName, signIn, password },
});
const opened = shop.success
  ? await openShop(shop.data)
  : { ok: false as const, sentence: shop.error.issues[0]?.message ?? '' };
await closePool();
if (cluster?.started) cluster.stop();
if (!opened.ok) giveUp(opened.sentence);
say('The shop is set up. Start it with: FENBRIK_DEMO=off npm start');
