import type { PaperWords } from './paper-words';
import { spanText } from './span-text';

export const DE: PaperWords = {
  units: ['MB', 'GB', 'TB'],
  quote: (number) => `Angebot ${number}`,
  title: (machine) => `Mehr Speicher für Ihr Gerät: ${machine}`,
  yourMachine: 'Ihr Gerät',
  forCustomer: (customer) => `Für ${customer}.`,
  hasToday: (total, isEach = false) => {
    if (total === null) return 'Heute ist kein Speicher darin.';
    return isEach ? `Heute sind in jedem ${total}.` : `Heute sind ${total} darin.`;
  },
  holdsUntil: (day) => `Diese Preise gelten bis ${day}.`,
  option: (place) => `Vorschlag ${place}`,
  ourOffer: 'Unser Vorschlag',
  suggested: 'unsere Empfehlung',
  ofMemory: (total) => `${total} Speicher`,
  moreThanToday: (added) => `${added} mehr als heute`,
  asToday: 'So viel wie heute, aber schneller',
  now: 'Heute',
  after: 'Danach',
  free: 'frei',
  isNew: (capacity) => `${capacity} neu`,
  kitOf: (modules, module) => `${modules}er-Kit: ${module}`,
  origin: { original: ', Originalteil des Herstellers', 'third-party': '', used: ', gebraucht und von uns geprüft' },
  ownPart: 'Ihr eigenes Teil',
  about: ({ maker, part, seller, lists, guaranteeMonths }) =>
    [
      [maker && `von ${maker}`, part].filter(Boolean).join(' '),
      seller && `bezogen bei ${seller}`,
      lists.length > 0 && `geprüft: auf ${lists.join(', ')}`,
      guaranteeMonths !== null && `Herstellergarantie: ${spanText(guaranteeMonths, 'Monate', 'Jahr', 'Jahre')}`,
    ]
      .filter(Boolean)
      .join(', '),
  labour: 'Einbau und Prüfung',
  credit: (capacity) => `Gutschrift für Ihr Modul mit ${capacity}`,
  discount: (reason) => `Nachlass: ${reason}`,
  what: 'Position',
  amount: 'Betrag',
  costsOf: (place) => `Preis von Vorschlag ${place}`,
  total: 'Gesamt',
  underGuarantee: 'Garantie',
  hereOn: (accepted, here) => `Bei Annahme am ${accepted} ist das der ${here}.`,
  perGb: 'Für jedes GB',
  guarantee: (parts, work) => {
    const months = (count: number) => (count === 1 ? '1 Monat' : `${count} Monate`);
    const on = [
      ...(parts > 0 ? [`${months(parts)} auf Teile`] : []),
      ...(work > 0 ? [`${months(work)} auf unsere Arbeit`] : []),
    ];
    return `Garantie: ${on.join(', ')}.`;
  },
  texts: { bring: 'Bevor Sie kommen', terms: 'Unsere Bedingungen', withdrawal: 'Widerrufsrecht' },
  agreeTerms: 'Mit der Annahme stimmen Sie unseren Bedingungen zu.',
  group: (nr) => `Gruppe ${nr}`,
  groupOf: (name, machines, total) => `${name}: ${machines === 1 ? '1 Gerät' : `${machines} Geräte`}, je ${total}`,
  eachOf: (machines) => `Für jedes von ${machines} Geräten`,
  withoutTax: 'Ohne Steuer',
  containedTax: (rate) => `davon Steuer (${rate})`,
  addedTax: (rate) => `zuzüglich Steuer (${rate})`,
  noTax: (reason) => `Es wird keine Steuer berechnet: ${reason}.`,
  deposit: (amount, rest) => `${amount} sind bei Annahme fällig, ${rest} bei Abholung.`,
  saving: (amount, percent, withoutTax) =>
    `Sie sparen ${amount}${withoutTax ? ' vor Steuer' : ''}${percent === null ? '' : ` (${percent})`} gegenüber Originalteilen des Herstellers bei gleicher Kapazität.`,
  maker: ({ asks, total, over, saved, whenNew, several }) =>
    `Der Hersteller ${several ? 'Ihrer Geräte' : 'Ihres Geräts'} verlangt ${whenNew ? 'beim Neukauf ' : ''}für ${total} ${asks} mehr als für ${over}: Sie sparen dagegen ${saved}.`,
  oldModules: ({ all, removed, credited, atHome }) => {
    if (all === 0) return 'Es waren keine Module eingebaut.';
    if (removed === 0) return all === 1 ? 'Ihr Modul bleibt eingebaut.' : `Ihre ${all} Module bleiben eingebaut.`;
    const one = removed === 1;
    if (atHome) return all === 1 ? 'Sie bauen Ihr altes Modul aus.' : `Sie bauen ${removed} Ihrer ${all} Module aus.`;
    const out =
      removed === all
        ? one
          ? 'Ihr altes Modul wird ausgebaut'
          : 'Ihre alten Module werden ausgebaut'
        : `${removed} Ihrer ${all} Module ${one ? 'wird' : 'werden'} ausgebaut`;
    if (credited) return `${out}; wir schreiben ${one ? 'es' : 'sie'} Ihnen gut.`;
    return `${out}; Sie bekommen ${one ? 'es' : 'sie'} mit.`;
  },
  mind: 'Bitte beachten Sie',
  agree: 'Braucht Ihre Zustimmung',
  leadDays: (days) =>
    days === 0
      ? 'Die Teile sind bei uns.'
      : `Die Teile sind ${days === 1 ? 'einen Tag' : `${days} Tage`} nach Ihrer Annahme hier.`,
  samePdf: 'Angebot als PDF',
  sayYes: (contact) =>
    `Zum Annehmen öffnen Sie Ihren Link, rufen Sie an oder kommen Sie vorbei und nennen Sie den Vorschlag: ${contact}.`,
  prices: (withoutTax, fitting) => {
    const tax = withoutTax ? 'Zeilen ohne Steuer' : 'Alle Preise inklusive Steuer';
    if (fitting === 'none') return `${tax}; wir bauen nichts ein.`;
    if (fitting === 'some') return `${tax}; der Einbau ist dabei, wo der Vorschlag nichts anderes sagt.`;
    return withoutTax ? `${tax}, alle Preise inklusive Einbau.` : `${tax} und Einbau.`;
  },
  fitted: (isExempt, partsOnly) =>
    `${partsOnly ? 'nur Teile, ohne Einbau' : 'eingebaut und geprüft'}${isExempt ? '' : ', inklusive Steuer'}`,
  codeOfContent: 'Code des Inhalts dieses Angebots (SHA-256)',
  shopNumbers: { tax: 'Steuernummer / USt-IdNr.', company: 'Handelsregister', bank: 'Bankverbindung' },
  page: {
    sayYes: 'Vorschlag annehmen',
    which: 'Welcher?',
    forPrice: (total, price) => `${total} für ${price}`,
    whichWeSuggest: 'unsere Empfehlung',
    readAndTick: 'Bitte lesen und zur Zustimmung ankreuzen',
    signature: 'Ihr Name als Unterschrift',
    yes: 'Annehmen',
    orderThen: (fitting) =>
      fitting === 'none'
        ? 'Dann bestellen wir die Teile für Sie zu diesem Preis.'
        : `Dann bestellen wir die Teile und bauen sie${fitting === 'some' ? ', wo der Vorschlag es sagt,' : ''} zu diesem Preis ein.`,
    sending: 'Wird gesendet …',
    ask: 'Uns etwas fragen',
    question: 'Ihre Frage',
    sendQuestion: 'Frage senden',
    questionSent: 'Gesendet. Unsere Antwort erscheint hier.',
    decline: 'Ablehnen',
    whyNot: 'Grund (freiwillig)',
    sayNo: 'Angebot ablehnen',
    youAsked: (day) => `Sie fragten am ${day}:`,
    weAnswered: (day) => `Wir antworteten am ${day}:`,
    isMyPaper: 'Gedrucktes Angebot prüfen',
    everyVersion: 'Jede Fassung hat einen Code ihres Inhalts (SHA-256), der am Ende ihres PDFs steht:',
    firstLetters: 'Die ersten Zeichen des Codes auf Ihrem Papier',
    isThis: 'Es ist dieses Angebot, wie es gesendet wurde.',
    isOther: 'Es ist eine andere Fassung oder ein anderes Angebot.',
    asData: 'Das Angebot als Daten',
    madeOfFile: 'aus dieser Datei ist der Code berechnet.',
    accepted: (what, signed, day) =>
      `${what} wurde am ${day} von ${signed} angenommen. Danke: Wir melden uns, wenn die Teile hier sind.`,
    acceptedWhat: (place, total, price) => `Vorschlag ${place}, ${total} für ${price},`,
    heldUntil: (day) => `Diese Preise galten bis ${day}. Fragen Sie uns nach den heutigen.`,
    declined: (day, until) => `Sie haben am ${day} abgelehnt. Bis ${until} können Sie unten noch annehmen.`,
    replaced: 'Ein neueres Angebot ersetzt dieses. Fragen Sie uns nach seinem Link.',
    notWorking:
      'Es lief nicht in Ihrem Gerät. Ihre eigenen Module sind wieder eingebaut, und Sie zahlen, was für diesen Fall vereinbart ist.',
    acceptedThenReplaced:
      'Ein neueres Angebot ändert diesen Auftrag. Fragen Sie uns nach seinem Link: Wir warten auf Ihre Antwort.',
    footer: (contact) => `Sie können auch anrufen oder vorbeikommen und den Vorschlag nennen: ${contact}.`,
  },
  mail: {
    reminder: 'Zur Erinnerung',
    quoteText: ({ customer, machine, until, link, shop }) =>
      `Guten Tag ${customer},

hier ist unser Angebot für mehr Speicher in Ihrem Gerät ${machine}. Ansehen, eine Frage stellen oder annehmen können Sie es hier:
${link}

Es ist auch als PDF angehängt. Die Preise gelten bis ${until}.

${shop.name}
${shop.contact}
`,
    reminderText: ({ customer, machine, until, link, shop }) =>
      `Guten Tag ${customer},

unser Angebot für mehr Speicher in Ihrem Gerät ${machine} gilt noch bis ${until}. Wenn Sie es möchten, nehmen Sie es hier an:
${link}

Wenn nicht, müssen Sie nichts tun.

${shop.name}
${shop.contact}
`,
  },
  changesOrder: ({ number, place, day }) =>
    `Dies ändert Ihren Auftrag: Am ${day} haben Sie Vorschlag ${place} des Angebots ${number} angenommen. Nehmen Sie dieses Angebot an, wenn Sie einverstanden sind; wir warten auf Ihre Antwort.`,
  faults: {
    noOption: 'Diesen Vorschlag enthält das Angebot nicht: Wählen Sie einen anderen.',
    chooseFirst: 'Wählen Sie zuerst einen Vorschlag.',
    typeQuestion: 'Geben Sie zuerst Ihre Frage ein.',
    typeName: 'Geben Sie Ihren Namen ein: Er gilt als Unterschrift.',
    notTicked: (missing) =>
      missing === 1
        ? 'Eine Erklärung ist noch nicht angekreuzt: Bitte lesen und ankreuzen.'
        : `${missing} Erklärungen sind noch nicht angekreuzt: Bitte lesen und ankreuzen.`,
    acceptedAlready: (place, signed, day) =>
      `Vorschlag ${place} wurde schon angenommen, von ${signed} am ${day}. Wenn das nicht stimmt, rufen Sie uns an.`,
    acceptedNoMore: (place) =>
      `Vorschlag ${place} wurde schon angenommen. Wenn Sie ihn nicht mehr wollen, rufen Sie uns an.`,
    lapsed: 'Die Preise dieses Angebots gelten nicht mehr: Fragen Sie uns nach den heutigen.',
    replaced: 'Ein neueres Angebot ersetzt dieses: Fragen Sie uns nach seinem Link.',
    away: 'Unsere Werkstatt ist gerade nicht erreichbar. Ihre Eingaben sind noch da: Versuchen Sie es gleich noch einmal.',
    tooManyQuestions: 'Bei so vielen Fragen rufen Sie uns bitte an.',
    tooManyAnswers: 'Bei so viel auf einmal rufen Sie uns bitte an.',
    noQuote: 'Dieses Angebot gibt es nicht.',
  },
};
