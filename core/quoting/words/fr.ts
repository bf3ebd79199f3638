import type { PaperWords } from './paper-words';
import { spanText } from './span-text';

export const FR: PaperWords = {
  units: ['Mo', 'Go', 'To'],
  quote: (number) => `Devis ${number}`,
  title: (machine) => `Plus de mémoire pour votre machine : ${machine}`,
  yourMachine: 'votre machine',
  forCustomer: (customer) => `Pour ${customer}.`,
  hasToday: (total, isEach = false) =>
    total === null
      ? 'Elle n’a pas de mémoire aujourd’hui.'
      : `${isEach ? 'Chacune' : 'Elle'} a ${total} de mémoire aujourd’hui.`,
  holdsUntil: (day) => `Ces prix sont valables jusqu’au ${day}.`,
  option: (place) => `Solution ${place}`,
  ourOffer: 'Notre solution',
  suggested: 'celle que nous conseillons',
  ofMemory: (total) => `${total} de mémoire`,
  moreThanToday: (added) => `${added} de plus qu’aujourd’hui`,
  asToday: 'Autant qu’aujourd’hui, mais plus rapide',
  now: 'Aujourd’hui',
  after: 'Ensuite',
  free: 'libre',
  isNew: (capacity) => `${capacity} neuf`,
  kitOf: (modules, module) => `Kit de ${modules} : ${module}`,
  origin: { original: ', pièce d’origine du fabricant', 'third-party': '', used: ', d’occasion, testé par nous' },
  ownPart: 'votre propre pièce',
  about: ({ maker, part, seller, lists, guaranteeMonths }) =>
    [
      [maker && `de ${maker}`, part].filter(Boolean).join(' '),
      seller && `fourni par ${seller}`,
      lists.length > 0 && `testé : sur ${lists.join(', ')}`,
      guaranteeMonths !== null && `garantie du fabricant : ${spanText(guaranteeMonths, 'mois', 'an', 'ans')}`,
    ]
      .filter(Boolean)
      .join(', '),
  labour: 'Montage et test',
  credit: (capacity) => `Reprise de votre module de ${capacity}`,
  discount: (reason) => `Remise : ${reason}`,
  what: 'Désignation',
  amount: 'Montant',
  costsOf: (place) => `Prix de la solution ${place}`,
  total: 'Total',
  underGuarantee: 'sous garantie',
  hereOn: (accepted, here) => `Si vous acceptez le ${accepted}, c’est le ${here}.`,
  perGb: 'Pour chaque Go',
  guarantee: (parts, work) => {
    const on = [
      ...(parts > 0 ? [`${parts} mois sur les pièces`] : []),
      ...(work > 0 ? [`${work} mois sur notre travail`] : []),
    ];
    return `Garantie : ${on.join(', ')}.`;
  },
  texts: { bring: 'Avant de venir', terms: 'Nos conditions', withdrawal: 'Droit de rétractation' },
  agreeTerms: 'En acceptant, vous approuvez nos conditions.',
  group: (nr) => `Groupe ${nr}`,
  groupOf: (name, machines, total) =>
    `${name} : ${machines === 1 ? '1 appareil' : `${machines} appareils`}, ${total} chacun`,
  eachOf: (machines) => `Pour chacun des ${machines} appareils`,
  withoutTax: 'Hors taxes',
  containedTax: (rate) => `dont taxe (${rate})`,
  addedTax: (rate) => `Taxe (${rate})`,
  noTax: (reason) => `Aucune taxe n’est due : ${reason}.`,
  deposit: (amount, rest) => `${amount} à verser à l’acceptation, ${rest} au retrait de votre machine.`,
  saving: (amount, percent, withoutTax) =>
    `Vous économisez ${amount}${withoutTax ? ' hors taxes' : ''}${percent === null ? '' : ` (${percent})`} par rapport aux pièces d’origine du fabricant, à capacité égale.`,
  maker: ({ asks, total, over, saved, whenNew, several }) =>
    `${whenNew ? 'À l’achat neuf, le' : 'Le'} fabricant de ${several ? 'vos machines' : 'votre machine'} demande ${asks} de plus pour ${total} que pour ${over} : vous économisez ${saved}.`,
  oldModules: ({ all, removed, credited, atHome }) => {
    if (all === 0) return 'Aucun module n’était installé.';
    if (removed === 0) return all === 1 ? 'Votre module reste en place.' : `Vos ${all} modules restent en place.`;
    const one = removed === 1;
    if (atHome)
      return all === 1 ? 'Vous retirez votre ancien module.' : `Vous retirez ${removed} de vos ${all} modules.`;
    const out =
      removed === all
        ? one
          ? 'Votre ancien module est retiré'
          : 'Vos anciens modules sont retirés'
        : `${removed} de vos ${all} modules ${one ? 'est retiré' : 'sont retirés'}`;
    if (credited) return `${out} ; nous ${one ? 'le' : 'les'} déduisons du prix.`;
    return `${out} ; vous ${one ? 'le remportez' : 'les remportez'} chez vous.`;
  },
  mind: 'À noter',
  agree: 'Votre accord est nécessaire',
  leadDays: (days) =>
    days === 0
      ? 'Nous avons les pièces ici.'
      : `Les pièces sont ici ${days === 1 ? 'un jour' : `${days} jours`} après votre acceptation.`,
  samePdf: 'Devis en PDF',
  sayYes: (contact) =>
    `Pour accepter, ouvrez votre lien, appelez-nous ou passez nous voir en indiquant la solution : ${contact}.`,
  prices: (withoutTax, fitting) => {
    const tax = withoutTax ? 'Lignes hors taxes' : 'Tous les prix s’entendent taxes comprises';
    if (fitting === 'none') return `${tax} ; nous ne montons rien.`;
    if (fitting === 'some') return `${tax} ; le montage est compris, sauf mention contraire dans la solution.`;
    return withoutTax
      ? `${tax} ; tous les prix comprennent le montage.`
      : 'Tous les prix s’entendent taxes et montage compris.';
  },
  fitted: (isExempt, partsOnly) =>
    `${partsOnly ? 'pièces seules, sans montage' : 'monté et testé'}${isExempt ? '' : ', taxes comprises'}`,
  codeOfContent: 'Code du contenu de ce devis (SHA-256)',
  shopNumbers: { tax: 'N° TVA', company: 'N° d’entreprise', bank: 'Banque' },
  page: {
    sayYes: 'Accepter une solution',
    which: 'Laquelle ?',
    forPrice: (total, price) => `${total} pour ${price}`,
    whichWeSuggest: 'celle que nous conseillons',
    readAndTick: 'Lisez, puis cochez pour donner votre accord',
    signature: 'Votre nom, valant signature',
    yes: 'Accepter',
    orderThen: (fitting) =>
      fitting === 'none'
        ? 'Nous commandons alors les pièces pour vous à ce prix.'
        : `Nous commandons alors les pièces et les montons${fitting === 'some' ? ', si la solution le prévoit,' : ''} à ce prix.`,
    sending: 'Envoi…',
    ask: 'Nous poser une question',
    question: 'Votre question',
    sendQuestion: 'Envoyer la question',
    questionSent: 'Envoyée. Notre réponse apparaîtra ici.',
    decline: 'Refuser',
    whyNot: 'Motif (facultatif)',
    sayNo: 'Refuser le devis',
    youAsked: (day) => `Votre question du ${day} :`,
    weAnswered: (day) => `Notre réponse du ${day} :`,
    isMyPaper: 'Vérifier un devis imprimé',
    everyVersion: 'Chaque version a un code de son contenu (SHA-256), imprimé à la fin de son PDF :',
    firstLetters: 'Les premiers caractères du code sur votre papier',
    isThis: 'C’est bien ce devis, tel qu’il a été envoyé.',
    isOther: 'C’est une autre version, ou un autre devis.',
    asData: 'Le devis sous forme de données',
    madeOfFile: 'le code est calculé à partir de ce fichier.',
    accepted: (what, signed, day) =>
      `${what} a été acceptée par ${signed} le ${day}. Merci : nous vous contacterons dès que les pièces seront là.`,
    acceptedWhat: (place, total, price) => `La solution ${place}, ${total} pour ${price},`,
    heldUntil: (day) => `Ces prix étaient valables jusqu’au ${day}. Demandez-nous ceux d’aujourd’hui.`,
    declined: (day, until) => `Vous avez refusé le ${day}. Jusqu’au ${until}, vous pouvez encore accepter ci-dessous.`,
    replaced: 'Un devis plus récent remplace celui-ci. Demandez-nous son lien.',
    notWorking:
      'Cela n’a pas fonctionné dans votre machine. Vos propres modules sont remis en place, et vous payez ce qui a été convenu pour ce cas.',
    acceptedThenReplaced:
      'Un devis plus récent modifie cette commande. Demandez-nous son lien : nous attendons votre réponse.',
    footer: (contact) => `Vous pouvez aussi nous appeler ou passer nous voir en indiquant la solution : ${contact}.`,
  },
  mail: {
    reminder: 'Rappel',
    quoteText: ({ customer, machine, until, link, shop }) =>
      `Bonjour ${customer},

voici notre devis pour plus de mémoire dans votre ${machine}. Vous pouvez le consulter, poser une question ou l’accepter ici :
${link}

Il est également joint en PDF. Les prix sont valables jusqu’au ${until}.

${shop.name}
${shop.contact}
`,
    reminderText: ({ customer, machine, until, link, shop }) =>
      `Bonjour ${customer},

notre devis pour plus de mémoire dans votre ${machine} est valable jusqu’au ${until}. S’il vous convient, acceptez-le ici :
${link}

Sinon, vous n’avez rien à faire.

${shop.name}
${shop.contact}
`,
  },
  changesOrder: ({ number, place, day }) =>
    `Ce devis modifie votre commande : le ${day}, vous avez accepté la solution ${place} du devis ${number}. Acceptez-le si vous êtes d’accord ; nous attendons votre réponse.`,
  faults: {
    noOption: 'Ce devis ne contient pas cette solution : choisissez-en une autre.',
    chooseFirst: 'Choisissez d’abord une solution.',
    typeQuestion: 'Saisissez d’abord votre question.',
    typeName: 'Saisissez votre nom : il vaut signature.',
    notTicked: (missing) =>
      missing === 1
        ? 'Une déclaration n’est pas encore cochée : lisez-la et cochez-la.'
        : `${missing} déclarations ne sont pas encore cochées : lisez-les et cochez-les.`,
    acceptedAlready: (place, signed, day) =>
      `La solution ${place} a déjà été acceptée, par ${signed} le ${day}. Si c’est une erreur, appelez-nous.`,
    acceptedNoMore: (place) => `La solution ${place} a déjà été acceptée. Si vous n’en voulez plus, appelez-nous.`,
    lapsed: 'Les prix de ce devis ne sont plus valables : demandez-nous ceux d’aujourd’hui.',
    replaced: 'Un devis plus récent remplace celui-ci : demandez-nous son lien.',
    away: 'Notre atelier n’est pas joignable pour l’instant. Votre saisie est conservée : réessayez dans un instant.',
    tooManyQuestions: 'Pour autant de questions, appelez-nous.',
    tooManyAnswers: 'Pour autant de choses à la fois, appelez-nous.',
    noQuote: 'Ce devis n’existe pas.',
  },
};
