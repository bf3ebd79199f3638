import { equal, ok } from 'node:assert/strict';
import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import fc from 'fast-check';
import { amount } from '../../../testing/amount';
import { LANGUAGES } from '../../language';
import type { PlanCase } from '../../planning/model/case';
import { answer } from '../../planning/search/answer';
import { TAX_ROUNDINGS, TAX_WAYS } from '../../pricing/bill';
import { customerView } from '../customer-view';
import { faultOfOptions, makeOption, type OptionInput } from '../option';
import { sampleRule } from '../samples';
import type { QuoteOption } from '../snapshot';
import { PLAIN_TERMS, validityFault } from '../terms';
import { lineEditSchema, type QuoteTerms, termsSchema } from '../terms-schema';
import { PAPER_WORDS } from '../words/papers-in';
import { filledText, SUPPLIED_TEXTS, TEXT_KEYS, textWrong } from '../words/shop-texts';
import { figureNotes, figureRows, savingSentences } from './figure-rows';

const QUOTES = amount(3_000, 10_000);

const planCase: PlanCase = JSON.parse(
  readFileSync(join(__dirname, '..', '..', 'planning', 'cases', 'bakery-till.case.json'), 'utf8'),
);
const { plans } = answer(planCase);
const supplies = new Map(
  planCase.offers.map(({ id }, nr) => [id, { costCents: 1000 + nr, seller: 'Quay', leadDays: nr }]),
);
const terms = (more: Partial<QuoteTerms>): QuoteTerms => ({ ...PLAIN_TERMS, ...more });
const made = (more: Partial<OptionInput> = {}): QuoteOption => {
  const plan = plans.find(({ lane, reuse }) => lane === 'third-party' && reuse === 'replace');
  if (plan === undefined) throw new Error('no such plan');
  return makeOption({ planCase, plan, supplies, pricing: sampleRule(), place: 1, ...more });
};
const sum = (all: readonly number[]): number => all.reduce((total, one) => total + one, 0);

describe(`${QUOTES} quotes`, () => {
  it('lose no cent, in any way of taxing, in currencies with two, none and three decimals', () => {
    const edits = fc.dictionary(
      fc.constantFrom('labour', ...planCase.offers.map(({ id }) => `part:${id}`)),
      fc.record({ text: fc.constant(null), eachCents: fc.option(fc.integer({ min: 0, max: 90_000 })) }),
    );
    const discount = fc.option(
      fc.oneof(
        fc.record({
          kind: fc.constant('share' as const),
          bp: fc.integer({ min: 1, max: 9_000 }),
          reason: fc.constant('r'),
        }),
        fc.record({
          kind: fc.constant('amount' as const),
          cents: fc.integer({ min: 1, max: 3_000 }),
          reason: fc.constant('r'),
        }),
      ),
    );
    const fees = fc.array(fc.record({ text: fc.constant('fee'), cents: fc.integer({ min: 1, max: 5_000 }) }), {
      maxLength: 3,
    });
    const deposit = fc.option(
      fc.record({ kind: fc.constant('share' as const), bp: fc.integer({ min: 1, max: 10_000 }) }),
    );
    const rate = fc.constantFrom(0, 550, 1000, 1900, 2000);
    const pricing = fc.record({
      taxWay: fc.constantFrom(...TAX_WAYS),
      taxRounding: fc.constantFrom(...TAX_ROUNDINGS),
      rates: fc.record({ part: rate, labour: rate, fee: rate, credit: rate }),
      exempt: fc.option(fc.constant('public body'), { freq: 5 }),
    });
    const currency = fc.constantFrom('EUR', 'JPY', 'BHD');
    expect(
      fc.check(
        fc.property(
          fc.integer({ min: 0, max: plans.length - 1 }),
          edits,
          fc.record({ discount, fees, deposit }),
          pricing,
          currency,
          (nr, typed, agreed, rule, of) => {
            const plan = plans[nr];
            if (plan === undefined) throw new Error('no plan');
            const option = makeOption({
              planCase: { ...planCase, currency: of },
              plan,
              supplies,
              pricing: rule,
              place: 1,
              edits: typed,
              terms: terms(agreed),
            });
            const { lines, totalCents, taxCents, taxes = [], depositCents = 0, shop } = option;
            for (const { quantity, eachCents, totalCents: whole } of lines) equal(quantity * eachCents, whole);
            const asked = sum(lines.map((line) => line.totalCents));
            const isAdded = rule.taxWay === 'added' && rule.exempt === null;
            equal(totalCents, isAdded ? asked + taxCents : asked);
            equal(sum(taxes.map((tax) => tax.taxCents)), taxCents);
            equal(sum(taxes.map((tax) => tax.netCents + tax.taxCents)), totalCents);
            equal(taxCents + shop.costCents + shop.marginCents, totalCents);
            if (rule.exempt !== null) equal(taxCents, 0);
            if (totalCents > 0) ok(depositCents <= totalCents);
          },
        ),
        { numRuns: QUOTES },
      ),
    ).toMatchObject({ failed: false });
  }, 120_000);
});

describe('what is typed over a line', () => {
  const plain = made();
  const [part] = plain.shop.computed ?? [];
  const key = part?.key ?? '';

  it('is what goes out, with what was computed kept for the shop', () => {
    const option = made({ edits: { [key]: { text: 'Two modules, matched', eachCents: 9900 } } });
    expect(option.lines[0]).toMatchObject({ text: 'Two modules, matched', eachCents: 9900 });
    expect(option.shop.computed?.[0]).toEqual({
      key,
      text: plain.lines[0]?.text,
      eachCents: plain.lines[0]?.eachCents,
    });
    expect(option.totalCents - plain.totalCents).toBe(
      (9900 - (plain.lines[0]?.eachCents ?? 0)) * (plain.lines[0]?.quantity ?? 0),
    );
  });

  it('lowers the saving where a part is dearer, never for cheaper work or a discount', () => {
    const dearer = made({ edits: { [key]: { text: null, eachCents: (part?.eachCents ?? 0) + 100 } } });
    const quantity = plain.lines[0]?.quantity ?? 0;
    expect(dearer.savingCents).toBe((plain.savingCents ?? 0) - 100 * quantity);
    expect(made({ edits: { labour: { text: null, eachCents: 0 } } }).savingCents).toBe(plain.savingCents);
    const off = made({ terms: terms({ discount: { kind: 'share', bp: 1000, reason: 'regular customer' } }) });
    expect(off.savingCents).toBe(plain.savingCents);
    expect(made({ edits: { [key]: { text: null, eachCents: 90_000 } } }).savingCents).toBeNull();
  });

  it('keeps a credit a credit, and says nothing of lines that are not there', () => {
    const credit = plain.shop.computed?.find((one) => one.key.startsWith('credit:'))?.key ?? '';
    const option = made({
      edits: { [credit]: { text: null, eachCents: 900 }, 'part:gone': { text: 'x', eachCents: 1 } },
    });
    expect(option.lines.find(({ kind }) => kind === 'credit')?.eachCents).toBe(-900);
    expect(option.lines).toHaveLength(plain.lines.length);
  });
});

describe('terms', () => {
  it('take a share off parts and work, and say why', () => {
    const option = made({ terms: terms({ discount: { kind: 'share', bp: 1000, reason: 'regular customer' } }) });
    const base = sum(
      option.lines.flatMap(({ kind, totalCents }) => (kind === 'part' || kind === 'labour' ? [totalCents] : [])),
    );
    const last = option.lines.at(-1);
    expect(last).toMatchObject({ kind: 'discount', text: 'Discount: regular customer', taxBp: null });
    expect(last?.totalCents).toBe(-Math.round(base / 10));
  });

  it('stop a discount that takes all, a deposit above the total, and a total of nothing', () => {
    const agreed = (more: Partial<QuoteTerms>) => faultOfOptions([made({ terms: terms(more) })]);
    expect(agreed({})).toBeNull();
    expect(agreed({ discount: { kind: 'amount', cents: 1_000_000, reason: 'r' } })).toContain(
      'The discount is as much as',
    );
    expect(agreed({ deposit: { kind: 'amount', cents: 1_000_000 } })).toContain('The deposit is more');
    const credited = { ...planCase, installed: planCase.installed.map((one) => ({ ...one, creditCents: 1_000_000 })) };
    expect(faultOfOptions([made({ planCase: credited })])).toContain('comes to nothing or less');
  });

  it('hold until a day that is not past and not years away', () => {
    expect(validityFault(null, '2026-11-26')).toBeNull();
    expect(validityFault('2026-11-26', '2026-11-26')).toBeNull();
    expect(validityFault('2026-11-25', '2026-11-26')).toContain('past');
    expect(validityFault('2027-11-27', '2026-11-26')).toContain('a year');
  });

  it('take no wrong figures', () => {
    const sentence = (value: object): string | undefined => termsSchema.safeParse(value).error?.issues[0]?.message;
    expect(sentence({ discount: { kind: 'share', bp: 25_000, reason: 'r' } })).toBe('A share is at most 100 %.');
    expect(sentence({ discount: { kind: 'share', bp: 500, reason: ' ' } })).toContain('needs a reason');
    expect(sentence({ extras: [{ text: '', eachCents: 5 }] })).toBe('A line needs a text.');
    expect(sentence({ note: 'x'.repeat(10_000) })).toBe('At most 1000 letters, please.');
    expect(sentence({ validUntil: '2026-02-31' })).toContain('A day is written');
    expect(termsSchema.parse({})).toEqual(PLAIN_TERMS);
    expect(lineEditSchema.safeParse({ text: '  ' }).success).toBe(false);
  });
});

describe('in every language', () => {
  const quote = { fenbrik: 'quote/1', number: '1', sentOn: '', validUntil: '', currency: 'EUR', taxBp: 2000 } as const;
  const whole = {
    ...quote,
    shop: { name: '', town: '', contact: '' },
    customer: { name: '' },
    machine: { name: '', totalMiB: 0 },
    suggested: null,
  };

  it('has all words, each its own, and every text for each care', () => {
    for (const language of LANGUAGES) {
      for (const key of TEXT_KEYS) {
        expect(SUPPLIED_TEXTS[language][key]).toMatch(/\.$/);
        expect(textWrong(SUPPLIED_TEXTS[language][key])).toBeNull();
      }
    }
    const flat = (words: object): string[] =>
      Object.values(words).flatMap((one) =>
        typeof one === 'string' ? [one] : typeof one === 'object' ? flat(one) : [],
      );
    expect(flat(PAPER_WORDS.de)).toHaveLength(flat(PAPER_WORDS.en).length);
    const same = flat(PAPER_WORDS.de).filter((words, nr) => words !== '' && words === flat(PAPER_WORDS.en)[nr]);
    expect(same).toEqual(['MB', 'GB', 'TB']);
  });

  it('writes lines, figures and sentences its own way', () => {
    const [en, de, fr] = LANGUAGES.map((language) => {
      const option = made({ language, terms: terms({ deposit: { kind: 'share', bp: 2000 } }) });
      const of = { ...whole, language, taxWay: 'contained' } as const;
      return [
        option.lines[0]?.text,
        option.oldModules,
        figureRows(of, option)[1]?.words,
        savingSentences(of, option)[0] ?? null,
        ...figureNotes(of, option),
      ].join('|');
    });
    expect(en).toContain('of which 20% tax');
    expect(de).toMatch(/davon Steuer \(20\s%\)/);
    expect(fr).toMatch(/dont taxe \(20\s%\)/);
    expect(fr).toMatch(/Go DDR4/);
    expect(de).toMatch(/Sie sparen [\d,]+\s€/);
    expect(en).toMatch(/is due when you accept/);
  });

  it('shows what is added and what is held, and nothing of tax to the person who pays none', () => {
    const added = made({
      pricing: sampleRule({ taxWay: 'added', rates: { part: 2000, labour: 1000, fee: 0, credit: 2000 } }),
    });
    expect(figureRows({ ...whole, taxWay: 'added' }, added).map(({ words }) => words)).toEqual([
      'Without tax',
      '20% tax',
      '10% tax',
      'Total',
    ]);
    const exempt = made({ pricing: sampleRule({ exempt: 'public body' }) });
    const quoted = { ...whole, taxWay: 'added', exempt: 'public body' } as const;
    expect(figureRows(quoted, exempt).map(({ words }) => words)).toEqual(['Total']);
    expect(figureNotes(quoted, exempt)).toEqual(['No tax is charged: public body.']);
  });

  it('puts figures into a text, and knows a text that asks for others', () => {
    expect(filledText('{total} of {visible}', { total: '16 GB', visible: '4 GB', amount: '' })).toBe('16 GB of 4 GB');
    expect(textWrong('It has {price}.')).toEqual({ what: 'unknown', named: '{price}' });
    expect(textWrong('x'.repeat(401))).toEqual({ what: 'long' });
    expect(textWrong(' ')).toEqual({ what: 'empty' });
  });
});

describe('what the customer sees of an option', () => {
  it('is its lines without what was computed for them', () => {
    const option = made({ edits: { labour: { text: 'Fitting', eachCents: 1 } } });
    const seen = customerView({
      fenbrik: 'quote/1',
      number: '2026-0001',
      sentOn: '2026-11-26',
      validUntil: '2026-12-10',
      currency: 'EUR',
      taxBp: 2000,
      shop: { name: 'a', town: 'b', contact: '' },
      customer: { name: 'c' },
      machine: { name: 'd', totalMiB: 1 },
      suggested: null,
      options: [option],
    });
    const text = JSON.stringify(seen);
    expect(text).not.toContain('computed');
    expect(text).not.toContain('part:');
    expect(seen.options[0]?.lines).toEqual(option.lines);
  });
});
