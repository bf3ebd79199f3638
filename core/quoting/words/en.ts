import type { PaperWords } from './paper-words';
import { spanText } from './span-text';

export const EN: PaperWords = {
  units: ['MB', 'GB', 'TB'],
  quote: (number) => `Quote ${number}`,
  title: (machine) => `More memory for your ${machine}`,
  yourMachine: 'machine',
  forCustomer: (customer) => `For ${customer}.`,
  hasToday: (total, isEach = false) => `${isEach ? 'Each' : 'It'} has ${total ?? 'no memory'} today.`,
  holdsUntil: (day) => `These prices are valid until ${day}.`,
  option: (place) => `Option ${place}`,
  ourOffer: 'Our offer',
  suggested: 'we suggest this one',
  ofMemory: (total) => `${total} of memory`,
  moreThanToday: (added) => `${added} more than today`,
  asToday: 'As much as today, but faster',
  now: 'Today',
  after: 'After',
  free: 'free',
  isNew: (capacity) => `${capacity} new`,
  kitOf: (modules, module) => `Kit of ${modules}: ${module}`,
  origin: { original: ', the maker’s own part', 'third-party': '', used: ', used and tested by us' },
  ownPart: 'your own part',
  about: ({ maker, part, seller, lists, guaranteeMonths }) =>
    [
      [maker && `by ${maker}`, part].filter(Boolean).join(' '),
      seller && `from ${seller}`,
      lists.length > 0 && `tested: on ${lists.join(', ')}`,
      guaranteeMonths !== null && `maker’s guarantee: ${spanText(guaranteeMonths, 'months', 'year', 'years')}`,
    ]
      .filter(Boolean)
      .join(', '),
  labour: 'Fitting and test',
  credit: (capacity) => `Credit for your ${capacity} module`,
  discount: (reason) => `Discount: ${reason}`,
  what: 'Item',
  amount: 'Amount',
  costsOf: (place) => `Price of option ${place}`,
  total: 'Total',
  underGuarantee: 'under guarantee',
  hereOn: (accepted, here) => `If you accept on ${accepted}, that is ${here}.`,
  perGb: 'For each GB',
  guarantee: (parts, work) => {
    const months = (count: number) => (count === 1 ? '1 month' : `${count} months`);
    const on = [
      ...(parts > 0 ? [`${months(parts)} on parts`] : []),
      ...(work > 0 ? [`${months(work)} on our work`] : []),
    ];
    return `Guarantee: ${on.join(', ')}.`;
  },
  texts: { bring: 'Before you come', terms: 'Our terms', withdrawal: 'Right of withdrawal' },
  agreeTerms: 'By accepting you agree to our terms.',
  group: (nr) => `Group ${nr}`,
  groupOf: (name, machines, total) =>
    `${name}: ${machines === 1 ? '1 machine' : `${machines} machines`}, ${total} each`,
  eachOf: (machines) => `For each of ${machines} machines`,
  withoutTax: 'Without tax',
  containedTax: (rate) => `of which ${rate} tax`,
  addedTax: (rate) => `${rate} tax`,
  noTax: (reason) => `No tax is charged: ${reason}.`,
  deposit: (amount, rest) => `${amount} is due when you accept, ${rest} when you collect your machine.`,
  saving: (amount, percent, withoutTax) =>
    `You save ${amount}${withoutTax ? ' before tax' : ''}${percent === null ? '' : ` (${percent})`} against the maker’s own parts for the same amount.`,
  maker: ({ asks, total, over, saved, whenNew, several }) =>
    `The maker of your ${several ? 'machines' : 'machine'} asks ${asks} more for ${total} than for ${over}${whenNew ? ' when it is bought new' : ''}: you save ${saved} against that.`,
  oldModules: ({ all, removed, credited, atHome }) => {
    if (all === 0) return 'There were no modules to keep.';
    if (removed === 0) return all === 1 ? 'Your module stays in.' : `Your ${all} modules stay in.`;
    const one = removed === 1;
    if (atHome) return all === 1 ? 'You take your old module out.' : `You take ${removed} of your ${all} modules out.`;
    const out =
      removed === all
        ? one
          ? 'Your old module comes out'
          : 'Your old modules come out'
        : `${removed} of your ${all} modules ${one ? 'comes' : 'come'} out`;
    if (credited) return `${out}; we credit ${one ? 'it' : 'them'} to you.`;
    return `${out} and ${one ? 'is' : 'are'} yours to take home.`;
  },
  mind: 'Please note',
  agree: 'Needs your consent',
  leadDays: (days) =>
    days === 0
      ? 'We have the parts here.'
      : `The parts are here ${days === 1 ? 'in one day' : `in ${days} days`} after you accept.`,
  samePdf: 'Quote as PDF',
  sayYes: (contact) => `To accept, open your link, call us, or visit us and name the option: ${contact}.`,
  prices: (withoutTax, fitting) => {
    const tax = withoutTax ? 'Line prices exclude tax' : 'All prices include tax';
    if (fitting === 'none') return `${tax}; nothing is fitted by us.`;
    if (fitting === 'some') return `${tax}; fitting is included where no option says otherwise.`;
    return withoutTax ? `${tax}; all prices include fitting.` : `${tax} and fitting.`;
  },
  fitted: (isExempt, partsOnly) =>
    `${partsOnly ? 'parts only, without fitting' : 'fitted and tested'}${isExempt ? '' : ', tax included'}`,
  codeOfContent: 'Code of this quote’s content (SHA-256)',
  shopNumbers: { tax: 'Tax number', company: 'Company number', bank: 'Bank' },
  page: {
    sayYes: 'Accept an option',
    which: 'Which one?',
    forPrice: (total, price) => `${total} for ${price}`,
    whichWeSuggest: 'recommended',
    readAndTick: 'Please read and tick to agree',
    signature: 'Your name as signature',
    yes: 'Accept',
    orderThen: (fitting) =>
      fitting === 'none'
        ? 'Then we order the parts for you, for this price.'
        : `Then we order the parts${fitting === 'some' ? ' and, where the option says so, fit them' : ' and fit them'} for this price.`,
    sending: 'Sending…',
    ask: 'Ask us something',
    question: 'Your question',
    sendQuestion: 'Send the question',
    questionSent: 'Sent. Our answer will appear here.',
    decline: 'Decline',
    whyNot: 'Reason (optional)',
    sayNo: 'Decline the quote',
    youAsked: (day) => `You asked on ${day}:`,
    weAnswered: (day) => `We answered on ${day}:`,
    isMyPaper: 'Verify a printed quote',
    everyVersion: 'Every version has a code of its content (SHA-256), printed at the end of its PDF:',
    firstLetters: 'The first letters of the code on your paper',
    isThis: 'This is the quote as it was sent.',
    isOther: 'This is another version, or another quote.',
    asData: 'The quote as data',
    madeOfFile: 'the code is calculated from this file.',
    accepted: (what, signed, day) =>
      `${what} was accepted by ${signed} on ${day}. Thank you: we will be in touch when the parts are here.`,
    acceptedWhat: (place, total, price) => `Option ${place}, ${total} for ${price},`,
    heldUntil: (day) => `These prices were valid until ${day}. Ask us for today’s.`,
    declined: (day, until) => `You declined this on ${day}. Until ${until} you can still accept below.`,
    replaced: 'A newer quote replaces this one. Ask us for its link.',
    notWorking:
      'It did not work in your machine. Your own modules are back in, and you pay what was agreed for this case.',
    acceptedThenReplaced: 'A newer quote changes this order. Ask us for its link: we wait for your answer to it.',
    footer: (contact) => `You can also call us or visit us and name the option: ${contact}.`,
  },
  mail: {
    reminder: 'Reminder',
    quoteText: ({ customer, machine, until, link, shop }) =>
      `Hello ${customer},

here is our quote for more memory in your ${machine}. View it, ask a question, or accept it here:
${link}

The same is attached as a PDF. The prices are valid until ${until}.

${shop.name}
${shop.contact}
`,
    reminderText: ({ customer, machine, until, link, shop }) =>
      `Hello ${customer},

our quote for more memory in your ${machine} is valid until ${until}. If you still want it, accept it here:
${link}

If not, you do not have to do anything.

${shop.name}
${shop.contact}
`,
  },
  changesOrder: ({ number, place, day }) =>
    `This changes your order: on ${day} you accepted option ${place} of quote ${number}. Accept this quote if you agree; we wait for your answer.`,
  faults: {
    noOption: 'This quote has no such option: choose one that it has.',
    chooseFirst: 'Choose an option first.',
    typeQuestion: 'Type your question first.',
    typeName: 'Type your name: it is your signature.',
    notTicked: (missing) =>
      missing === 1
        ? 'One statement is not ticked yet: please read and tick it.'
        : `${missing} statements are not ticked yet: please read and tick them.`,
    acceptedAlready: (place, signed, day) =>
      `Option ${place} was accepted already, by ${signed} on ${day}. If that is not right, call us.`,
    acceptedNoMore: (place) => `Option ${place} was accepted already. If you no longer want it, call us.`,
    lapsed: 'The prices of this quote are no longer valid: ask us for today’s.',
    replaced: 'A newer quote replaces this one: ask us for its link.',
    away: 'Our shop cannot be reached just now. What you typed is still here: try again in a moment.',
    tooManyQuestions: 'For so many questions, please call us.',
    tooManyAnswers: 'For so much at once, please call us.',
    noQuote: 'There is no such quote.',
  },
};
