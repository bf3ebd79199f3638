import type { PaperWords } from './paper-words';

export const DE: PaperWords = {
  units: ['MB', 'GB', 'TB'],
  quote: (number) => `Angebot ${number}`,
  title: (machine) => `Mehr Speicher für Ihr Gerät: ${machine}`,
  yourMachine: 'Ihr Gerät',
  forCustomer: (customer) => `Für ${customer}.`,
  hasToday: (total) => (total === null ? 'Heute ist kein Speicher darin.' : `Heute sind ${total} darin.`),
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
  kitOf: (modules, module) => `Satz von ${modules}: ${module}`,
  origin: { original: ', Teil des Herstellers', 'third-party': '', used: ', gebraucht und von uns geprüft' },
  labour: 'Einbau und Prüfung',
  credit: (capacity) => `Wir nehmen Ihr Modul mit ${capacity}`,
  discount: (reason) => `Nachlass: ${reason}`,
  what: 'Was',
  amount: 'Betrag',
  costsOf: (place) => `Was Vorschlag ${place} kostet`,
  total: 'Gesamt',
  withoutTax: 'Ohne Steuer',
  containedTax: (rate) => `darin ${rate} Steuer`,
  addedTax: (rate) => `${rate} Steuer`,
  noTax: (reason) => `Es wird keine Steuer berechnet: ${reason}.`,
  deposit: (amount, rest) => `${amount} sind bei Ihrer Zusage fällig, ${rest} beim Abholen.`,
  saving: (amount, percent, withoutTax) =>
    `Sie sparen ${amount}${withoutTax ? ' vor Steuer' : ''}${percent === null ? '' : ` (${percent})`} gegenüber den Teilen des Herstellers für ebenso viel Speicher.`,
  oldModules: ({ all, removed, credited }) => {
    if (all === 0) return 'Es waren keine Module darin.';
    if (removed === 0) return all === 1 ? 'Ihr Modul bleibt darin.' : `Alle ${all} Module bleiben darin.`;
    const one = removed === 1;
    const out =
      removed === all
        ? one
          ? 'Ihr altes Modul kommt heraus'
          : 'Ihre alten Module kommen heraus'
        : `${removed} Ihrer ${all} Module ${one ? 'kommt' : 'kommen'} heraus`;
    if (credited) return `${out}; wir schreiben ${one ? 'es' : 'sie'} Ihnen gut.`;
    return `${out}; Sie nehmen ${one ? 'es' : 'sie'} mit nach Hause.`;
  },
  mind: 'Bitte beachten Sie',
  agree: 'Dem ist zuzustimmen',
  leadDays: (days) =>
    days === 0
      ? 'Die Teile sind bei uns.'
      : `Die Teile sind ${days === 1 ? 'einen Tag' : `${days} Tage`} nach Ihrer Zusage hier.`,
  samePdf: 'Dasselbe als PDF',
  sayYes: (contact) =>
    `Um zuzusagen, folgen Sie Ihrem Link, rufen Sie an oder kommen Sie vorbei und nennen Sie den Vorschlag: ${contact}.`,
  prices: (withoutTax) =>
    withoutTax ? 'Die Zeilen sind ohne Steuer, alles mit Einbau.' : 'Alle Preise sind mit Steuer und mit Einbau.',
  fitted: (isExempt) => (isExempt ? 'eingebaut und geprüft' : 'eingebaut und geprüft, mit Steuer'),
  codeOfContent: 'Code des Inhalts dieses Angebots (SHA-256)',
  shopNumbers: { tax: 'Steuernummer / USt-IdNr.', company: 'Handelsregister', bank: 'Bankverbindung' },
  page: {
    sayYes: 'Vorschlag annehmen',
    which: 'Welcher?',
    forPrice: (total, price) => `${total} für ${price}`,
    whichWeSuggest: 'unsere Empfehlung',
    readAndTick: 'Bitte lesen Sie und kreuzen Sie an, dass Sie zustimmen',
    signature: 'Ihr Name als Unterschrift',
    yes: 'Annehmen',
    orderThen: 'Dann bestellen wir die Teile und bauen sie zu diesem Preis ein.',
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
    isOther: 'Es ist nicht dieses: Es kann eine andere Fassung sein.',
    asData: 'Das Angebot als Daten',
    madeOfFile: 'aus dieser Datei ist der Code gemacht.',
    accepted: (what, signed, day) =>
      `${what} wurde am ${day} von ${signed} angenommen. Danke: Wir melden uns, wenn die Teile hier sind.`,
    acceptedWhat: (place, total, price) => `Vorschlag ${place}, ${total} für ${price},`,
    heldUntil: (day) => `Diese Preise galten bis ${day}. Fragen Sie uns nach den heutigen.`,
    declined: (day, until) => `Sie haben am ${day} abgesagt. Bis ${until} können Sie unten noch zusagen.`,
    replaced: 'Ein neueres Angebot ersetzt dieses. Fragen Sie uns nach seinem Link.',
    acceptedThenReplaced:
      'Ein neueres Angebot ändert diesen Auftrag. Fragen Sie uns nach seinem Link: Wir warten auf Ihre Antwort.',
    footer: (contact) => `Sie können auch anrufen oder vorbeikommen und den Vorschlag nennen: ${contact}.`,
  },
  mail: {
    reminder: 'Zur Erinnerung',
    quoteText: ({ customer, machine, until, link, shop }) =>
      `Guten Tag ${customer},

hier ist unser Angebot für mehr Speicher in Ihrem Gerät ${machine}. Ansehen, fragen oder zusagen können Sie hier:
${link}

Dasselbe hängt als PDF an. Die Preise gelten bis ${until}.

${shop.name}
${shop.contact}
`,
    reminderText: ({ customer, machine, until, link, shop }) =>
      `Guten Tag ${customer},

unser Angebot für mehr Speicher in Ihrem Gerät ${machine} gilt noch bis ${until}. Wenn Sie es möchten, sagen Sie hier zu:
${link}

Wenn nicht, brauchen Sie nichts zu tun.

${shop.name}
${shop.contact}
`,
  },
  changesOrder: ({ number, place, day }) =>
    `Dies ändert Ihren Auftrag: Am ${day} haben Sie Vorschlag ${place} des Angebots ${number} angenommen. Nehmen Sie dieses Angebot an, wenn Sie einverstanden sind; wir warten auf Ihre Antwort.`,
  faults: {
    noOption: 'Diesen Vorschlag hat das Angebot nicht: Wählen Sie einen, den es hat.',
    chooseFirst: 'Wählen Sie zuerst einen Vorschlag.',
    typeQuestion: 'Tippen Sie zuerst Ihre Frage.',
    typeName: 'Tippen Sie Ihren Namen: Er steht für Ihre Unterschrift.',
    notTicked: (missing) =>
      missing === 1
        ? 'Ein Satz ist noch nicht angekreuzt: Bitte lesen Sie ihn und kreuzen Sie ihn an.'
        : `${missing} Sätze sind noch nicht angekreuzt: Bitte lesen Sie sie und kreuzen Sie sie an.`,
    acceptedAlready: (place, signed, day) =>
      `Vorschlag ${place} wurde schon angenommen, von ${signed} am ${day}. Wenn das nicht stimmt, rufen Sie uns an.`,
    acceptedNoMore: (place) =>
      `Vorschlag ${place} wurde schon angenommen. Wenn Sie ihn nicht mehr wollen, rufen Sie uns an.`,
    lapsed: 'Die Preise dieses Angebots gelten nicht mehr: Fragen Sie uns nach den heutigen.',
    replaced: 'Ein neueres Angebot ersetzt dieses: Fragen Sie uns nach seinem Link.',
    away: 'Unser Laden antwortet gerade nicht. Was Sie getippt haben, steht noch da: Versuchen Sie es gleich noch einmal.',
    tooManyQuestions: 'So viele Fragen stellen Sie besser am Telefon: Bitte rufen Sie uns an.',
    tooManyAnswers: 'So viel auf einmal sagen Sie besser am Telefon: Bitte rufen Sie uns an.',
    noQuote: 'Ein solches Angebot gibt es nicht.',
  },
};
