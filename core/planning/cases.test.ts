import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { caseSchema } from './model/case';
import { answer } from './search/answer';

const FOLDER = join(__dirname, 'cases');
const names = readdirSync(FOLDER)
  .filter((file) => file.endsWith('.case.json'))
  .map((file) => file.replace('.case.json', ''));

const json = (file: string) => JSON.parse(readFileSync(join(FOLDER, file), 'utf8'));

/** Only the fields that the worked answer names, in its order. */
function asNamed<T extends object>(value: T, model: object): Partial<T> {
  return Object.fromEntries(Object.keys(model).map((key) => [key, value[key as keyof T]])) as Partial<T>;
}

describe('the worked cases', () => {
  it('are all here', () => {
    expect(names.length).toBe(46);
  });

  it.each(names)('%s: baseline, refusals and every plan in order', (name) => {
    const got = answer(caseSchema.parse(json(`${name}.case.json`)));
    const want = json(`${name}.answer.json`);
    expect(got.baseline).toEqual(want.baseline);
    expect(got.refusedOffers).toEqual(want.refusedOffers);
    expect(got.plans.length).toBe(want.plans.length);
    const plans = got.plans.map((plan, index) => asNamed(plan, want.plans[index]));
    expect(JSON.stringify(plans, null, 1)).toBe(JSON.stringify(want.plans, null, 1));
  });
});
