import { LANGUAGES } from '../../language';
import { paragraphsOf } from '../paper-text';
import { withdrawalModel } from './withdrawal-model';

const from = {
  name: 'Petrel Street Repair Co-op',
  street: '14 Petrel Street',
  postalCode: 'SK1',
  town: 'Skerrow',
  mail: 'hello@petrel.example',
  phone: '',
};

test.each(LANGUAGES)(
  '%s: a member state’s model names the shop, and says the same in as many paragraphs',
  (language) => {
    const model = withdrawalModel('IE', language, from) ?? '';
    expect(model).toContain('(Petrel Street Repair Co-op, 14 Petrel Street, SK1 Skerrow, hello@petrel.example)');
    expect(paragraphsOf(model)).toHaveLength(8);
    expect(model.length).toBeLessThan(4000);
  },
);

test('none is known elsewhere', () => {
  expect(withdrawalModel('CH', 'de', from)).toBeNull();
  expect(withdrawalModel('', 'en', from)).toBeNull();
});
