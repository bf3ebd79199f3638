import type { Language } from '../../language';
import { isInUnion } from '../../shop/accept-words';

/** Who a withdrawal is told to: name, address, and where the shop is reached. */
export interface WithdrawnFrom {
  name: string;
  street: string;
  postalCode: string;
  town: string;
  mail: string;
  phone: string;
}

const addressee = ({ name, street, postalCode, town, mail, phone }: WithdrawnFrom): string =>
  [name, street, `${postalCode} ${town}`.trim(), mail, phone].filter((part) => part !== '').join(', ');

/** Model instructions on withdrawal, Directive 2011/83/EU, Annex I (A), each paragraph by itself: for services with goods. */
const MODEL: Record<Language, (from: string) => string[]> = {
  en: (from) => [
    'Right of withdrawal',
    'You have the right to withdraw from this contract within 14 days without giving any reason.',
    'The withdrawal period will expire after 14 days from the day of the conclusion of the contract; where goods alone are delivered to you, from the day on which you, or a third party other than the carrier and indicated by you, acquire physical possession of the goods.',
    `To exercise the right of withdrawal, you must inform us (${from}) of your decision to withdraw from this contract by an unequivocal statement (e.g. a letter sent by post or e-mail).`,
    'To meet the withdrawal deadline, it is sufficient for you to send your communication concerning your exercise of the right of withdrawal before the withdrawal period has expired.',
    'Effects of withdrawal',
    'If you withdraw from this contract, we shall reimburse to you all payments received from you, including the costs of delivery (with the exception of the supplementary costs resulting from your choice of a type of delivery other than the least expensive type of standard delivery offered by us), without undue delay and in any event not later than 14 days from the day on which we are informed about your decision to withdraw from this contract. We will carry out such reimbursement using the same means of payment as you used for the initial transaction, unless you have expressly agreed otherwise; in any event, you will not incur any fees as a result of such reimbursement.',
    'If you requested to begin the performance of services during the withdrawal period, you shall pay us an amount which is in proportion to what has been provided until you have communicated us your withdrawal from this contract, in comparison with the full coverage of the contract.',
  ],
  de: (from) => [
    'Widerrufsrecht',
    'Sie haben das Recht, binnen vierzehn Tagen ohne Angabe von Gründen diesen Vertrag zu widerrufen.',
    'Die Widerrufsfrist beträgt vierzehn Tage ab dem Tag des Vertragsabschlusses; werden Ihnen nur Waren geliefert, ab dem Tag, an dem Sie oder ein von Ihnen benannter Dritter, der nicht der Beförderer ist, die Waren in Besitz genommen haben bzw. hat.',
    `Um Ihr Widerrufsrecht auszuüben, müssen Sie uns (${from}) mittels einer eindeutigen Erklärung (z. B. ein mit der Post versandter Brief oder eine E-Mail) über Ihren Entschluss, diesen Vertrag zu widerrufen, informieren.`,
    'Zur Wahrung der Widerrufsfrist reicht es aus, dass Sie die Mitteilung über die Ausübung des Widerrufsrechts vor Ablauf der Widerrufsfrist absenden.',
    'Folgen des Widerrufs',
    'Wenn Sie diesen Vertrag widerrufen, haben wir Ihnen alle Zahlungen, die wir von Ihnen erhalten haben, einschließlich der Lieferkosten (mit Ausnahme der zusätzlichen Kosten, die sich daraus ergeben, dass Sie eine andere Art der Lieferung als die von uns angebotene, günstigste Standardlieferung gewählt haben), unverzüglich und spätestens binnen vierzehn Tagen ab dem Tag zurückzuzahlen, an dem die Mitteilung über Ihren Widerruf dieses Vertrags bei uns eingegangen ist. Für diese Rückzahlung verwenden wir dasselbe Zahlungsmittel, das Sie bei der ursprünglichen Transaktion eingesetzt haben, es sei denn, mit Ihnen wurde ausdrücklich etwas anderes vereinbart; in keinem Fall werden Ihnen wegen dieser Rückzahlung Entgelte berechnet.',
    'Haben Sie verlangt, dass die Dienstleistungen während der Widerrufsfrist beginnen sollen, so haben Sie uns einen angemessenen Betrag zu zahlen, der dem Anteil der bis zu dem Zeitpunkt, zu dem Sie uns von der Ausübung des Widerrufsrechts hinsichtlich dieses Vertrags unterrichten, bereits erbrachten Dienstleistungen im Vergleich zum Gesamtumfang der im Vertrag vorgesehenen Dienstleistungen entspricht.',
  ],
  fr: (from) => [
    'Droit de rétractation',
    'Vous avez le droit de vous rétracter du présent contrat sans donner de motif dans un délai de quatorze jours.',
    'Le délai de rétractation expire quatorze jours après le jour de la conclusion du contrat ; si seuls des biens vous sont livrés, après le jour où vous-même, ou un tiers autre que le transporteur et désigné par vous, prend physiquement possession du bien.',
    `Pour exercer le droit de rétractation, vous devez nous notifier (${from}) votre décision de rétractation du présent contrat au moyen d’une déclaration dénuée d’ambiguïté (par exemple, lettre envoyée par la poste ou courrier électronique).`,
    'Pour que le délai de rétractation soit respecté, il suffit que vous transmettiez votre communication relative à l’exercice du droit de rétractation avant l’expiration du délai de rétractation.',
    'Effets de rétractation',
    'En cas de rétractation de votre part du présent contrat, nous vous rembourserons tous les paiements reçus de vous, y compris les frais de livraison (à l’exception des frais supplémentaires découlant du fait que vous avez choisi, le cas échéant, un mode de livraison autre que le mode moins coûteux de livraison standard proposé par nous) sans retard excessif et, en tout état de cause, au plus tard quatorze jours à compter du jour où nous sommes informés de votre décision de rétractation du présent contrat. Nous procéderons au remboursement en utilisant le même moyen de paiement que celui que vous aurez utilisé pour la transaction initiale, sauf si vous convenez expressément d’un moyen différent ; en tout état de cause, ce remboursement n’occasionnera pas de frais pour vous.',
    'Si vous avez demandé de commencer la prestation de services pendant le délai de rétractation, vous devrez nous payer un montant proportionnel à ce qui vous a été fourni jusqu’au moment où vous nous avez informé de votre rétractation du présent contrat, par rapport à l’ensemble des prestations prévues par le contrat.',
  ],
};

/**
 * The notice on withdrawal that the law of a country has for contracts at a distance, to begin with: an owner reads, changes and
 * approves it. Null where no model is known.
 *
 * @param country ISO 3166-1 alpha-2
 */
export const withdrawalModel = (country: string, language: Language, from: WithdrawnFrom): string | null =>
  isInUnion(country) ? MODEL[language](addressee(from)).join('\n\n') : null;
