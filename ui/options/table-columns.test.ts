import type { PlanCase } from '@/core/planning/model/case';
import { answer } from '@/core/planning/search/answer';
import { WORKED_CASES } from '@/testing/worked-cases';
import { staffWords } from '@/words/staff-words';
import { COLUMNS, plansCsv, sortedPlans, type TableGround } from './table-columns';

const planCase = WORKED_CASES.find(([name]) => name === 'bakery-till')?.[1] as PlanCase;
const { plans } = answer(planCase);
const t = staffWords('en', 'options');
const ground: TableGround = {
  tTrade: staffWords('en', 'trade'),
  tPlans: staffWords('en', 'plans'),
  planCase,
  supplies: {},
};

describe('the table of plans', () => {
  it.each(COLUMNS.map(({ id }) => [id]))('is sorted by %s both ways, every plan once', (column) => {
    const of = COLUMNS.find(({ id }) => id === column);
    for (const down of [false, true]) {
      const sorted = sortedPlans(plans, { column, down }, ground);
      expect(new Set(sorted)).toEqual(new Set(plans));
      const values = sorted.map((plan) => of?.value(plan, ground) ?? null);
      const told = values.filter((value) => value !== null);
      expect(values.slice(0, told.length)).toEqual(told);
      const numbers = told.filter((value) => typeof value === 'number');
      expect(numbers).toEqual([...numbers].sort((a, b) => (down ? b - a : a - b)));
    }
  });

  it('leaves as CSV as it is shown, with numbers as numbers', () => {
    const columns = COLUMNS.filter(({ id }) => ['total', 'price', 'saving', 'care', 'buys'].includes(id));
    const [first, ...lines] = plansCsv(
      t,
      sortedPlans(plans, { column: 'price', down: false }, ground),
      columns,
      ground,
    ).split('\r\n');
    expect(first).toBe('Total,Price,Saving,Caution,To buy');
    expect(lines.filter(Boolean)).toHaveLength(plans.length);
    expect(lines[0]).toMatch(/^\d+,\d+(\.\d+)?,(-?\d+(\.\d+)?)?,(clear|with notes|above the official limit),/);
  });

  it('is no formula and no further cell to a spreadsheet', () => {
    const buys = COLUMNS.filter(({ id }) => id === 'buys');
    const evil = { ...ground, planCase: { ...planCase, offers: [] } };
    expect(plansCsv(t, [], buys, evil)).toBe('To buy\r\n');
    const column = { ...buys[0], text: () => '', value: () => '=1+"a",b' } as (typeof COLUMNS)[number];
    expect(plansCsv(t, plans.slice(0, 1), [column], ground)).toBe('To buy\r\n"\'=1+""a"",b"\r\n');
  });
});
