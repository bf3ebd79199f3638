import { KnownPlans } from './known-plans';
import type { Plan } from './plan';
import type { Lot } from './supply/lots';

const lot = (offer: number) => ({ offer }) as Lot;
const plan = (name: string) => ({ kept: [name] }) as unknown as Plan;
const stayOf = (kept: readonly number[]) => ({ slots: kept.map((nr) => `S${nr}`), pieces: [] });

describe('plans that are known', () => {
  it('are made once for what is kept and bought, in another list of the same too', () => {
    const known = new KnownPlans(stayOf);
    const [a, b] = [lot(1), lot(2)];
    const made: string[] = [];
    const find = (kept: number[], bought: Lot[], name: string) =>
      known.plan(known.alike(kept), bought, ({ slots }) => {
        made.push(`${name} ${slots.join()}`);
        return plan(name);
      });
    const first = find([0, 2], [a, b], 'first');
    expect(find([0, 2], [a, b], 'again')).toBe(first);
    find([0, 2], [a], 'fewer');
    find([0, 2], [b], 'other');
    find([0], [a, b], 'keeps less');
    find([0, 2], [], 'buys nothing');
    // The same offer at another price is another lot.
    find([0, 2], [lot(1), b], 'new price');
    expect(made).toEqual([
      'first S0,S2',
      'fewer S0,S2',
      'other S0,S2',
      'keeps less S0',
      'buys nothing S0,S2',
      'new price S0,S2',
    ]);
    expect(known.size).toBe(6);
  });

  it('remember that a set cannot be placed', () => {
    const known = new KnownPlans(stayOf);
    let asked = 0;
    const never = () => {
      asked++;
      return null;
    };
    const alike = known.alike([]);
    expect(known.plan(alike, [lot(1)], never)).toBeNull();
    const one = lot(2);
    expect(known.plan(alike, [one], never)).toBeNull();
    expect(known.plan(alike, [one], never)).toBeNull();
    expect(asked).toBe(2);
  });
});
