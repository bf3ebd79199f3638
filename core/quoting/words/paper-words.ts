import type { Origin } from '../../planning/model/lanes';
import type { NumberWords } from '../../shop/shop-on-paper';
import type { PaperTextKind } from '../paper-text';

/** How many of a quote's options are fitted by the shop. */
export type Fitting = 'all' | 'some' | 'none';

/** What may be told of a part that is bought. */
export interface AboutPart {
  maker: string;
  part: string;
  seller: string;
  /** lists of tested parts that name it */
  lists: readonly string[];
  /** how long its maker or seller answers for it; null: nobody says */
  guaranteeMonths: number | null;
}

/** What happens to the modules that are in a machine. */
export interface OldModules {
  /** how many there are, how many come out */
  all: number;
  removed: number;
  /** the customer is credited for some */
  credited: boolean;
  /** the customer fits the parts, and keeps whatever comes out */
  atHome: boolean;
}

/** What a mail about a quote tells. */
export interface MailTold {
  customer: string;
  machine: string;
  until: string;
  link: string;
  shop: { name: string; contact: string };
}

/** Everything that is said on a customer's page and paper, but for the shop's own texts. Amounts, days and capacities come as text. */
export interface PaperWords {
  /** units of capacity: MB, GB, TB in the language */
  units: readonly [mb: string, gb: string, tb: string];
  quote: (number: string) => string;
  title: (machine: string) => string;
  yourMachine: string;
  forCustomer: (customer: string) => string;
  /** what is in it, or in each of several; null: nothing */
  hasToday: (total: string | null, isEach?: boolean) => string;
  holdsUntil: (day: string) => string;
  option: (place: number) => string;
  ourOffer: string;
  suggested: string;
  ofMemory: (total: string) => string;
  moreThanToday: (added: string) => string;
  asToday: string;
  now: string;
  after: string;
  free: string;
  isNew: (capacity: string) => string;
  kitOf: (modules: number, module: string) => string;
  origin: Record<Origin, string>;
  /** who made a part, which it is, who sells it, and whose lists of tested parts name it; what is empty is not told */
  about: (part: AboutPart) => string;
  /** of a part that the customer brings */
  ownPart: string;
  labour: string;
  credit: (capacity: string) => string;
  discount: (reason: string) => string;
  what: string;
  amount: string;
  costsOf: (place: number) => string;
  total: string;
  /** why nothing is paid for parts and work */
  underGuarantee: string;
  /** the day on which parts are here where the customer accepts on that day */
  hereOn: (accepted: string, here: string) => string;
  perGb: string;
  /** months on parts and on work, of which one is none at most */
  guarantee: (partsMonths: number, workMonths: number) => string;
  /** what stands over the shop's texts */
  texts: Record<PaperTextKind, string>;
  agreeTerms: string;
  /** a group of equal machines */
  group: (nr: number) => string;
  /** so many machines, with what is in each */
  groupOf: (name: string, machines: number, total: string) => string;
  /** what it comes to for each of several machines */
  eachOf: (machines: number) => string;
  withoutTax: string;
  containedTax: (rate: string) => string;
  addedTax: (rate: string) => string;
  noTax: (reason: string) => string;
  deposit: (amount: string, rest: string) => string;
  saving: (amount: string, percent: string | null, withoutTax: boolean) => string;
  /** what the machine's maker asks for the same total, over another, and what is saved against it */
  maker: (told: {
    asks: string;
    total: string;
    over: string;
    saved: string;
    whenNew: boolean;
    several: boolean;
  }) => string;
  oldModules: (old: OldModules) => string;
  mind: string;
  agree: string;
  leadDays: (days: number) => string;
  samePdf: string;
  sayYes: (contact: string) => string;
  /** @param fitting of its options: all are fitted, some, or none */
  prices: (withoutTax: boolean, fitting: Fitting) => string;
  fitted: (isExempt: boolean, partsOnly: boolean) => string;
  codeOfContent: string;
  /** what stands before the shop's numbers and its bank */
  shopNumbers: NumberWords;
  page: {
    sayYes: string;
    which: string;
    forPrice: (total: string, price: string) => string;
    whichWeSuggest: string;
    readAndTick: string;
    signature: string;
    yes: string;
    orderThen: (fitting: Fitting) => string;
    sending: string;
    ask: string;
    question: string;
    sendQuestion: string;
    questionSent: string;
    decline: string;
    whyNot: string;
    sayNo: string;
    youAsked: (day: string) => string;
    weAnswered: (day: string) => string;
    isMyPaper: string;
    everyVersion: string;
    firstLetters: string;
    isThis: string;
    isOther: string;
    asData: string;
    madeOfFile: string;
    accepted: (what: string, signed: string, day: string) => string;
    acceptedWhat: (place: number, total: string, price: string) => string;
    heldUntil: (day: string) => string;
    declined: (day: string, until: string) => string;
    replaced: string;
    /** it was accepted, and a change to it is out */
    acceptedThenReplaced: string;
    /** it was agreed on condition, and did not work */
    notWorking: string;
    footer: (contact: string) => string;
  };
  mail: {
    reminder: string;
    quoteText: (told: MailTold) => string;
    reminderText: (told: MailTold) => string;
  };
  /** stands over a quote that changes what was accepted before */
  changesOrder: (told: { number: string; place: number; day: string }) => string;
  faults: {
    noOption: string;
    chooseFirst: string;
    typeQuestion: string;
    typeName: string;
    notTicked: (missing: number) => string;
    acceptedAlready: (place: number, signed: string, day: string) => string;
    acceptedNoMore: (place: number) => string;
    lapsed: string;
    replaced: string;
    /** the network or the server is away; what was typed is still there */
    away: string;
    tooManyQuestions: string;
    tooManyAnswers: string;
    noQuote: string;
  };
}
