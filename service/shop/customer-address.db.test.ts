import { many, pool } from '../../store/database';
import { READER } from '../../testing/reader';
import { as, must, openTestShop } from '../../testing/shop';
import { customerAddress, customerAddressSchema, saveCustomerAddress } from './customer-address';
import { roleRuleSchema, saveRoleRule, showRoleRule } from './role-rule';

openTestShop();

describe('the address for customers', () => {
  it('is none until an owner confirms one, and who did is noted', async () => {
    const runa = await as('runa');
    expect(await customerAddress()).toEqual({ address: '', isSet: false });
    must(await saveCustomerAddress(runa, { address: 'https://quotes.example' }));
    expect(await customerAddress()).toEqual({ address: 'https://quotes.example', isSet: false });
    const [event] = await many<{ by: number; detail: object }>(
      pool(),
      `select staff_id as by, detail from event where kind = 'customer-address-changed' order by id desc limit 1`,
    );
    expect(event).toEqual({ by: runa.id, detail: { from: '', to: 'https://quotes.example' } });
    must(await saveCustomerAddress(runa, { address: '' }));
    expect((await customerAddress()).address).toBe('');
  });

  test.each([
    ['https://quotes.example/some/path?x=1', 'https://quotes.example'],
    [' http://192.168.1.5:4180 ', 'http://192.168.1.5:4180'],
    ['', ''],
  ])('%j is %j', (typed, address) => {
    expect(customerAddressSchema.parse({ address: typed })).toEqual({ address });
  });

  test.each(['quotes.example', 'javascript:alert(1)', 'ftp://quotes.example', 'https://', 'https://a b'])(
    '%j is none',
    (typed) => {
      const parsed = customerAddressSchema.safeParse({ address: typed });
      expect(parsed.error?.issues[0]?.message).toBe('Type an address such as https://quotes.example.');
    },
  );
});

describe('roles', () => {
  it('are as cautious as can be until an owner says otherwise', async () => {
    expect(await showRoleRule(READER)).toEqual({ counterSeesCost: false, lowestMarginBp: 0 });
    must(await saveRoleRule(await as('runa'), { counterSeesCost: true, lowestMarginBp: 500 }));
    expect(await showRoleRule(READER)).toEqual({ counterSeesCost: true, lowestMarginBp: 500 });
    must(await saveRoleRule(await as('runa'), { counterSeesCost: false, lowestMarginBp: 0 }));
  });

  test.each([-1, 10_001, 0.5])('a lowest margin of %d is refused', (lowestMarginBp) => {
    expect(roleRuleSchema.safeParse({ counterSeesCost: false, lowestMarginBp }).success).toBe(false);
  });
});
