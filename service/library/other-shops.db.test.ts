import { limitsOfClaims } from '../../core/machine/case-of-job';
import { claimsOfTrials } from '../../core/machine/limits/evidence';
import { modelSchema } from '../../core/machine/models/model';
import { libraryJson } from '../../outward/readings/library-file';
import { openOwnShop, ownModel, TWO_SLOTS } from '../../testing/own-shop';
import { READER } from '../../testing/reader';
import { loadedTrial, must } from '../../testing/shop';
import { claimOfStored } from '../job/limits/job-claims';
import { exportModels, importModels, modelLibrary, showModel } from './library';
import { dropShop, otherShops, trustShop } from './other-shops';

const shop = openOwnShop();

const THEM = { key: '6a0e7f0c-51c4-4f1a-9d5e-0b8f2f6f1a11', name: 'Dock Street Repairs' };

const source = (kind: string, name: string) => ({ kind, name, note: '', on: null }) as never;

/** A file of another shop about two models: one that we know, and one that is new. */
const file = () =>
  new TextEncoder().encode(
    libraryJson(
      ['Rail 1', 'Rail 2'].map((name) =>
        modelSchema.parse({
          maker: 'Tarnholt',
          name,
          slots: TWO_SLOTS,
          yearFrom: 2019,
          claims: [
            { limit: 'totalMiB', value: 65_536, source: source('technician', 'Bo of Dock Street') },
            { limit: 'form', value: 'SO-DIMM', source: source('maker-page', 'specification') },
          ],
          trials: [{ ...loadedTrial, slots: ['A', 'B'] }],
        }),
      ),
      THEM,
    ),
  );

async function standing(id: number) {
  const page = await showModel(READER, id);
  const claims = (page?.claims ?? []).flatMap(claimOfStored);
  const limits = limitsOfClaims([...claims, ...claimsOfTrials(page?.trials ?? [], limitsOfClaims(claims))]);
  return { total: limits.totalMiB?.value ?? null, proven: limits.provenTotalMiB?.value ?? null, claims, page };
}

const idOf = async (name: string) =>
  (await modelLibrary(READER, name)).models.find((model) => model.name === name)?.id ?? 0;

it('what another shop saw is theirs, lifts only where they are trusted, and goes out whole', async () => {
  const known = await ownModel('Rail 1');
  expect(must(await importModels(shop.tam, file()))).toMatchObject({ added: 1, merged: 1 });
  const [other] = await otherShops(READER);
  expect(other).toMatchObject({ name: THEM.name, trusted: false, models: 1, trials: 2 });
  const before = await standing(known);
  expect(before).toMatchObject({ total: 32_768, proven: null });
  expect(before.claims.map((claim) => claim.source.name)).toContain('Bo of Dock Street, told by Dock Street Repairs');
  expect(before.page?.trials[0]).toMatchObject({ shop: THEM.name, trusted: false });

  must(await trustShop(shop.wren, other?.id ?? 0, { trusted: true }));
  expect(await standing(known)).toMatchObject({ total: 65_536, proven: 65_536 });
  must(await trustShop(shop.wren, other?.id ?? 0, { trusted: false }));
  expect(await standing(known)).toMatchObject({ total: 32_768, proven: null });

  // A shop hands on what it knows itself, and says whose file it is.
  const handed = JSON.parse(await exportModels(READER, 'json'));
  expect(handed.shop.name).toBe('Harbour Bench');
  expect(JSON.stringify(handed.models)).not.toContain('Bo of Dock Street');

  expect(await idOf('Rail 2')).toBeGreaterThan(0);
  expect(must(await dropShop(shop.wren, other?.id ?? 0))).toEqual({ models: 1, kept: 0 });
  expect(await idOf('Rail 2')).toBe(0);
  expect((await standing(known)).claims.every(({ source: { name } }) => !name.includes('Dock Street'))).toBe(true);
  expect((await standing(known)).page?.trials).toEqual([]);
  expect(await otherShops(READER)).toEqual([]);
  expect(await dropShop(shop.wren, 1)).toMatchObject({ ok: false, code: 'not-found' });
});

it('a file of our own comes back as ours, and one without a shop as it always did', async () => {
  await ownModel('Rail 7');
  const own = new TextEncoder().encode(await exportModels(READER, 'json'));
  expect(must(await importModels(shop.tam, own))).toMatchObject({ added: 0, merged: 0 });
  expect(await otherShops(READER)).toEqual([]);
  const nameless = new TextEncoder().encode(
    libraryJson([modelSchema.parse({ maker: 'Tarnholt', name: 'Rail 8', yearFrom: 2019 })]),
  );
  must(await importModels(shop.tam, nameless));
  expect(await otherShops(READER)).toEqual([]);
});
