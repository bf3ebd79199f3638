import { LANGUAGES } from '../core/language';
import type { UsualLine } from '../core/quoting/usual-line';
import { SUPPLIED_TEXTS, TEXT_KEYS } from '../core/quoting/words/shop-texts';
import { transaction } from '../store/database';
import { insertModel } from '../store/library/whole-models';
import { insertOffer, insertPrice, insertSeller } from '../store/market/offers';
import { updateSeller } from '../store/market/sellers';
import { insertShop, maybeShop, updatePapers } from '../store/shop/shop';
import { approveText } from '../store/shop/shop-texts';
import { replaceUsualLines } from '../store/shop/usual-lines';
import { hashPassword } from '../store/staff/password';
import { insertStaff } from '../store/staff/staff';
import { DEMO_MODELS } from './machines';
import { demoHistory, demoOffers } from './market';
import { seeded } from './random';
import { DEMO_SEED } from './seed';
import { DEMO_SELLERS, DEMO_TERMS } from './sellers';

const HISTORY_MONTHS = 6;
const MONTH_MS = 30 * 24 * 3600 * 1000;

/** What the demo shop adds to quotes time and again. */
const DEMO_LINES: UsualLine[] = [
  { texts: { en: 'Diagnosis', de: 'Diagnose', fr: 'Diagnostic' }, cents: 2500, taxBp: null },
  {
    texts: { en: 'Cleaned inside, new thermal paste', de: 'Innen gereinigt, neue Wärmeleitpaste' },
    cents: 3500,
    taxBp: null,
  },
  {
    texts: { en: 'Data moved to a new drive', de: 'Daten auf ein neues Laufwerk übertragen' },
    cents: 4000,
    taxBp: null,
  },
];

const DEMO_STAFF = [
  { signIn: 'runa', name: 'Runa Petrel', role: 'owner' },
  { signIn: 'teo', name: 'Teo Marsh', role: 'technician' },
  { signIn: 'edda', name: 'Edda Quill', role: 'counter' },
] as const;

/** One password for all demo accounts: they are shown on the sign-in page anyway. */
export const DEMO_PASSWORD = 'petrel-street';

/**
 * Loads the demo shop into an empty database: shop, staff, models, sellers, offers with their price history.
 *
 * @param now end of the price history
 * @returns false where a shop is there already; nothing is touched then
 */
export async function loadDemoShop(now: Date): Promise<boolean> {
  const passwordHash = await hashPassword(DEMO_PASSWORD);
  return transaction(async (db) => {
    await db.query('lock table shop in exclusive mode');
    if ((await maybeShop(db)) !== null) return false;
    await insertShop(db, {
      name: 'Petrel Street Repair Co-op',
      town: 'Skerrow',
      street: '14 Petrel Street',
      postalCode: '',
      country: '',
      phone: '0555 0111',
      mail: '',
      web: '',
      taxNumber: '',
      companyNumber: '',
      bank: '',
      currency: 'EUR',
      timeZone: 'UTC',
      taxBp: 2000,
      labourCents: 2900,
      validityDays: 14,
      markUpBp: 1800,
      leastMarginCents: 400,
      roundUpToCents: 50,
      demo: true,
    });
    await updatePapers(db, {
      language: 'en',
      paper: 'A4',
      mailFrom: 'quotes@petrel-street.example',
      remindDays: 3,
      acceptWords: {},
      paperPart: true,
      paperSeller: false,
    });
    const people: number[] = [];
    for (const member of DEMO_STAFF) {
      people.push((await insertStaff(db, { ...member, passwordHash, demoPassword: DEMO_PASSWORD })) ?? 0);
    }
    for (const language of LANGUAGES) {
      for (const key of TEXT_KEYS) {
        await approveText(db, { key, language, words: null, supplied: SUPPLIED_TEXTS[language][key] }, people[0] ?? 0);
      }
    }
    await replaceUsualLines(db, DEMO_LINES);
    const models = new Map<string, number>();
    // Offers are made for the first of several models of one name.
    for (const model of DEMO_MODELS) {
      const id = await insertModel(db, model);
      const name = `${model.maker} ${model.name}`;
      if (!models.has(name)) models.set(name, id);
    }
    const sellers: number[] = [];
    for (const { name, leadDays } of DEMO_SELLERS) {
      const id = await insertSeller(db, { name, leadDays });
      const known = DEMO_TERMS[name];
      if (known !== undefined)
        await updateSeller(db, id, { leadDays, orderContact: '', leastOrderCents: null, partsOf: null, ...known });
      sellers.push(id);
    }
    const random = seeded(DEMO_SEED);
    for (const { seller, costCents, madeFor, ...offer } of demoOffers(random)) {
      const modelIds = madeFor.map((name) => models.get(name)).filter((id) => id !== undefined);
      const sellerId = seller === null ? null : (sellers[seller] ?? null);
      const id = await insertOffer(db, { ...offer, sellerId, note: '', modelIds });
      const history = [...demoHistory(random, costCents, HISTORY_MONTHS), costCents];
      for (const [index, cost] of history.entries()) {
        const at = new Date(now.getTime() - (history.length - 1 - index) * MONTH_MS);
        await insertPrice(db, id, cost, 'price list', at);
      }
    }
    return true;
  });
}
