import { DEMO_PASSWORD } from '../../demo/load-shop';
import { loadDemo } from '../../scripts/load-demo';
import { many, pool } from '../../store/database';
import type { Role } from '../../store/staff/staff';
import { READER } from '../../testing/reader';
import { as, must, openTestShop } from '../../testing/shop';
import { checkCaller, mayDo, SESSION_HOURS } from './access';
import { signIn, signInPage, signOut } from './sign-in';
import { addStaff, newStaffSchema, removeStaff, staffList } from './staff-accounts';

const shop = openTestShop();
describe('who calls', () => {
  it('is known by a session, and only while it lasts', async () => {
    const { token } = must(await signIn(' Teo ', DEMO_PASSWORD));
    expect(await checkCaller(token, 'jobs.read')).toMatchObject({
      ok: true,
      caller: { signIn: 'teo', role: 'technician' },
    });
    const rows = await many<{ hash: string }>(pool(), "select encode(token_hash, 'escape') as hash from session");
    expect(rows.some((row) => row.hash.includes(token))).toBe(false);
    await pool().query(
      "update session set created_at = now() - interval '2 days', expires_at = now() - interval '1 second'",
    );
    expect(await checkCaller(token, 'jobs.read')).toMatchObject({ ok: false, code: 'signed-out' });
    shop.teo = await as('teo');
  });

  it('goes on being known by what a person does, and not by what an open page asks on its own', async () => {
    const { token } = must(await signIn('edda', DEMO_PASSWORD));
    const left = async (): Promise<number> => {
      const [row] = await many<{ minutes: number }>(
        pool(),
        `select round(extract(epoch from max(expires_at) - now()) / 60)::int as minutes from session
         join staff on staff.id = staff_id where sign_in = 'edda'`,
      );
      return row?.minutes ?? 0;
    };
    await pool().query(
      `update session set expires_at = now() + interval '30 minutes' from staff where staff.id = staff_id and sign_in = 'edda'`,
    );
    expect(await checkCaller(token, 'jobs.read', true)).toMatchObject({ ok: true });
    expect(await left()).toBe(30);
    expect(await checkCaller(token, 'jobs.read')).toMatchObject({ ok: true });
    expect(await left()).toBe(SESSION_HOURS * 60);
  });

  it('is nobody without a token, with a made-up one, or after signing out', async () => {
    expect(await checkCaller(undefined, 'jobs.read')).toMatchObject({ code: 'signed-out' });
    expect(await checkCaller('made-up', 'jobs.read')).toMatchObject({ code: 'signed-out' });
    const { token } = must(await signIn('edda', DEMO_PASSWORD));
    await signOut(token);
    expect(await checkCaller(token, 'jobs.read')).toMatchObject({ code: 'signed-out' });
  });

  it('may what the role may, and an unknown role nothing', async () => {
    const { token } = must(await signIn('edda', DEMO_PASSWORD));
    expect(await checkCaller(token, 'limits.decide')).toMatchObject({ ok: false, code: 'forbidden' });
    expect(mayDo({ role: 'owner' as Role, counterSeesCost: false }, 'staff.manage')).toBe(true);
    expect(mayDo({ role: 'technician' as Role, counterSeesCost: false }, 'staff.manage')).toBe(false);
    for (const right of ['jobs.read', 'offers.price'] as const)
      expect(mayDo({ role: 'wizard' as Role, counterSeesCost: false }, right)).toBe(false);
  });

  it('is told the same for an unknown name as for a wrong password, and is slowed down', async () => {
    const wrong = await signIn('runa', 'not it');
    expect(await signIn('nobody', 'not it')).toEqual(wrong);
    for (let tries = 0; tries < 7; tries++) await signIn('runa', 'not it');
    expect(await signIn('runa', DEMO_PASSWORD)).toMatchObject({ ok: false, code: 'too-many' });
    // From elsewhere it is another's turn.
    expect(await signIn('runa', DEMO_PASSWORD, { address: '10.0.0.9' })).toMatchObject({ ok: true });
    await pool().query('update rate_limit set expire = 0');
    expect(await signIn('runa', DEMO_PASSWORD)).toMatchObject({ ok: true });
  });

  it('has no more passwords weighed than may be, however many come at once', async () => {
    const from = { address: '10.0.0.1' };
    const all = await Promise.all(Array.from({ length: 120 }, () => signIn('teo', 'a guess', from)));
    const codes = all.map((one) => (one.ok ? 'in' : one.code));
    expect(codes.filter((code) => code === 'signed-out').length).toBeLessThanOrEqual(8);
    expect(codes.filter((code) => code === 'too-many').length).toBeGreaterThanOrEqual(112);
    // One who guesses under many names is stopped by the address, one who comes from everywhere by the name.
    const names = await Promise.all(
      Array.from({ length: 80 }, (_, nr) => signIn(`nobody${nr}`, 'a guess', { address: '10.0.0.2' })),
    );
    expect(names.filter((one) => !one.ok && one.code === 'signed-out').length).toBeLessThanOrEqual(60);
    const far = [];
    for (let nr = 0; nr < 40; nr++) far.push(await signIn('edda', 'a guess', { address: `10.1.0.${nr}` }));
    expect(far.filter((one) => !one.ok && one.code === 'signed-out').length).toBe(30);
    await pool().query('update rate_limit set expire = 0');
  }, 120_000);

  it('is not locked out of a browser that is known, and waits longer there with each wrong guess', async () => {
    const { browser } = must(await signIn('teo', DEMO_PASSWORD, { address: '10.0.0.3' }));
    for (let nr = 0; nr < 12; nr++) await signIn('teo', 'a guess', { address: '10.0.0.3' });
    expect(await signIn('teo', DEMO_PASSWORD, { address: '10.0.0.3' })).toMatchObject({ code: 'too-many' });
    const known = { address: '10.0.0.3', browser };
    expect(must(await signIn('teo', DEMO_PASSWORD, known)).browser).toBe(browser);
    const guess = async () => {
      const result = await signIn('teo', 'a guess', known);
      return result.ok ? 'in' : result.sentence;
    };
    for (let nr = 0; nr < 4; nr++) expect(await guess()).toBe('Name or password is not right.');
    expect(await guess()).toMatch(/^Too many tries: wait [12] seconds?, then try again\.$/);
    await pool().query('update rate_limit set expire = 0');
    expect(await signIn('teo', DEMO_PASSWORD, known)).toMatchObject({ ok: true });
    // Another's mark makes nobody known.
    expect(await signIn('edda', DEMO_PASSWORD, { address: '10.0.0.4', browser })).toMatchObject({ ok: true });
    await pool().query('update rate_limit set expire = 0');
  });

  it('finds the demo accounts on the door only while the demo is what is loaded', async () => {
    expect((await signInPage()).demoAccounts.map((account) => account.signIn)).toEqual(['runa', 'teo', 'edda']);
    await pool().query('update shop set demo = false');
    expect((await signInPage()).demoAccounts).toEqual([]);
    await pool().query('update shop set demo = true');
  });
});

describe('accounts', () => {
  it('are opened by the owner, once a name, and closed at once', async () => {
    const runa = await as('runa');
    const account = newStaffSchema.parse({
      name: 'Wren Hollis',
      signIn: 'Wren',
      role: 'counter',
      password: 'long enough',
    });
    const { id } = must(await addStaff(runa, account));
    expect(await addStaff(runa, account)).toMatchObject({ ok: false, code: 'conflict' });
    const { token } = must(await signIn('wren', 'long enough'));
    expect((await signInPage()).demoAccounts.some((one) => one.signIn === 'wren')).toBe(false);
    must(await removeStaff(runa, id));
    expect(await checkCaller(token, 'jobs.read')).toMatchObject({ code: 'signed-out' });
    expect(await signIn('wren', 'long enough')).toMatchObject({ ok: false });
    expect(await removeStaff(runa, id)).toMatchObject({ code: 'not-found' });
    // The name stays with what it did: nobody else gets it.
    expect(await addStaff(runa, account)).toMatchObject({ ok: false, code: 'conflict' });
  });

  it('keep at least one owner, and nobody closes their own', async () => {
    const runa = await as('runa');
    expect(await removeStaff(runa, runa.id)).toMatchObject({ code: 'conflict' });
    expect(await removeStaff(shop.teo, runa.id)).toMatchObject({
      code: 'conflict',
      sentence: 'A shop needs at least one owner.',
    });
    expect((await staffList(READER)).some((member) => member.id === runa.id)).toBe(true);
  });

  test.each([
    [{ role: 'wizard' }, 'A role is one of owner, technician, counter.'],
    [{ signIn: 'a b' }, 'A username has'],
    [{ password: 'short' }, 'A password has at least 10 characters.'],
    [{ name: ' ' }, 'Enter the person’s name.'],
  ])('refuse %j in a sentence', (change, sentence) => {
    const account = { name: 'Wren', signIn: 'wren', role: 'owner', password: 'long enough', ...change };
    expect(newStaffSchema.safeParse(account).error?.issues[0]?.message).toContain(sentence);
  });
});

test('the demo shop loads once', async () => {
  expect(await loadDemo()).toBe(false);
});
