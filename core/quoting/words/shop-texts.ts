import type { Language } from '../../language';
import { CARE_REASONS, type CareReason } from '../../planning/rules/care';

/** What a customer reads of a plan's care, or of a machine's cover: a text of the shop's, in its own words if it wants. */
export type TextKey = CareReason | 'cover-warranty' | 'cover-support' | 'parts-only' | 'if-not' | 'own-part';
export const TEXT_KEYS: readonly TextKey[] = [
  ...(Object.keys(CARE_REASONS) as CareReason[]),
  'cover-warranty',
  'cover-support',
  'parts-only',
  'if-not',
  'own-part',
];

/** What may stand in a text for a figure of the plan: the new total, what the operating system can use, and what is
 * paid if it does not work. */
export const TEXT_FIGURES = ['total', 'visible', 'amount'] as const;
export type TextFigure = (typeof TEXT_FIGURES)[number];

export type TextSet = Record<TextKey, string>;

/** The consequence for the customer, without the workshop's numbers: how the texts read until a shop words them again. */
export const SUPPLIED_TEXTS: Record<Language, TextSet> = {
  en: {
    'ecc-lost': 'Your memory corrects its own errors today. With this option it no longer will.',
    'ecc-mix': 'Your memory’s own error correction will be off with this mix.',
    'mixed-latency': 'The modules have slightly different timings; we test them together before you get it back.',
    'mixed-rate': 'The modules are rated for different speeds. All will run at the speed of the slowest.',
    'module-off-book':
      'The modules are larger than the maker states for this machine. We have seen this size work, but the maker does not guarantee it.',
    'os-limit': 'Your operating system can use only {visible} of this memory.',
    'slower-than-today': 'You get more memory, but it runs slower than what is in the machine now.',
    'total-off-book':
      '{total} is more than the maker states for this machine. We have seen it work, but the maker does not guarantee it.',
    'total-unknown': 'The maker does not say how much memory this machine takes. We test it before you pay.',
    'uneven-channels': 'Part of the memory runs slower than the rest, because the modules are not spread evenly.',
    'unmatched-bank': 'The modules are not in matched pairs, which the maker recommends.',
    'cover-warranty': 'Your machine is under warranty. For a claim, its maker may ask for the old modules: keep them.',
    'cover-support':
      'Your machine has a support contract. The service provider may require the maker’s own parts: please ask them first.',
    'parts-only':
      'You fit the parts yourself. We answer for the parts, not for the fitting or for the machine. Send us the machine’s report afterwards: we check it against this quote.',
    'if-not':
      'Whether it works shows in your machine. If it does not, your own modules go back in and you pay {amount} instead of the price of this option.',
    'own-part':
      'You bring this part yourself. We answer for the fitting, not for the part: if it fails, we charge for the work of finding that out.',
  },
  de: {
    'ecc-lost': 'Ihr Speicher korrigiert heute seine Fehler selbst. Mit diesem Vorschlag tut er das nicht mehr.',
    'ecc-mix': 'In dieser Mischung ist die Fehlerkorrektur Ihres Speichers abgeschaltet.',
    'mixed-latency':
      'Die Module haben leicht verschiedene Zugriffszeiten; wir prüfen sie zusammen, bevor Sie das Gerät zurückbekommen.',
    'mixed-rate':
      'Die Module sind für verschiedene Geschwindigkeiten gebaut. Alle laufen so schnell wie das langsamste.',
    'module-off-book':
      'Die Module sind größer, als der Hersteller für dieses Gerät angibt. Bei uns lief diese Größe, aber der Hersteller garantiert sie nicht.',
    'os-limit': 'Ihr Betriebssystem kann von diesem Speicher nur {visible} nutzen.',
    'slower-than-today': 'Sie bekommen mehr Speicher, aber er läuft langsamer als der, der heute im Gerät ist.',
    'total-off-book':
      '{total} sind mehr, als der Hersteller für dieses Gerät angibt. Bei uns lief es, aber der Hersteller garantiert es nicht.',
    'total-unknown':
      'Der Hersteller gibt nicht an, wie viel Speicher dieses Gerät aufnimmt. Wir prüfen es, bevor Sie zahlen.',
    'uneven-channels':
      'Ein Teil des Speichers läuft langsamer als der übrige, weil die Module nicht gleichmäßig verteilt sind.',
    'unmatched-bank': 'Die Module bilden keine gleichen Paare, wie sie der Hersteller empfiehlt.',
    'cover-warranty':
      'Für Ihr Gerät gilt noch die Garantie. Im Garantiefall kann der Hersteller die alten Module verlangen: Bewahren Sie sie auf.',
    'cover-support':
      'Für Ihr Gerät besteht ein Wartungsvertrag. Der Dienstleister kann Originalteile verlangen: Bitte fragen Sie dort zuerst.',
    'parts-only':
      'Sie bauen die Teile selbst ein. Wir stehen für die Teile ein, nicht für den Einbau und nicht für das Gerät. Schicken Sie uns danach den Bericht des Geräts: Wir prüfen ihn gegen dieses Angebot.',
    'if-not':
      'Ob es läuft, zeigt sich in Ihrem Gerät. Wenn nicht, kommen Ihre eigenen Module wieder hinein, und Sie zahlen {amount} statt des Preises dieses Vorschlags.',
    'own-part':
      'Sie bringen dieses Teil selbst mit. Wir stehen für den Einbau ein, nicht für das Teil: Fällt es aus, berechnen wir die Arbeit, das festzustellen.',
  },
  fr: {
    'ecc-lost': 'Aujourd’hui, votre mémoire corrige ses propres erreurs. Avec cette solution, elle ne le fera plus.',
    'ecc-mix': 'Avec ce mélange, la correction d’erreurs de votre mémoire sera désactivée.',
    'mixed-latency':
      'Les modules ont des temps d’accès un peu différents ; nous les testons ensemble avant de vous rendre la machine.',
    'mixed-rate': 'Les modules sont prévus pour des vitesses différentes. Tous tourneront à la vitesse du plus lent.',
    'module-off-book':
      'Les modules ont une capacité supérieure à ce que le fabricant indique pour cette machine. Nous avons vu cette capacité fonctionner, mais le fabricant ne la garantit pas.',
    'os-limit': 'Votre système d’exploitation ne peut utiliser que {visible} de cette mémoire.',
    'slower-than-today':
      'Vous aurez plus de mémoire, mais elle sera moins rapide que celle qui est dans la machine aujourd’hui.',
    'total-off-book':
      '{total}, c’est plus que ce que le fabricant indique pour cette machine. Nous l’avons vu fonctionner, mais le fabricant ne le garantit pas.',
    'total-unknown':
      'Le fabricant ne dit pas combien de mémoire cette machine accepte. Nous la testons avant que vous ne payiez.',
    'uneven-channels':
      'Une partie de la mémoire sera moins rapide que le reste, car les modules ne sont pas répartis également.',
    'unmatched-bank': 'Les modules ne forment pas de paires identiques, ce que le fabricant recommande.',
    'cover-warranty':
      'Votre machine est sous garantie. En cas de réclamation, son fabricant peut demander les anciens modules : gardez-les.',
    'cover-support':
      'Votre machine a un contrat d’assistance. Votre prestataire peut exiger des pièces d’origine : demandez-lui d’abord.',
    'parts-only':
      'Vous montez les pièces vous-même. Nous répondons des pièces, pas du montage ni de la machine. Envoyez-nous ensuite le rapport de la machine : nous le vérifierons par rapport à ce devis.',
    'if-not':
      'C’est dans votre machine que l’on verra si cela fonctionne. Sinon, vos propres modules sont remis en place et vous payez {amount} au lieu du prix de cette solution.',
    'own-part':
      'Vous apportez cette pièce vous-même. Nous répondons du montage, pas de la pièce : si elle est défectueuse, nous facturons le travail pour le constater.',
  },
};

/** A text with its figures in their places. */
export function filledText(text: string, figures: Readonly<Record<TextFigure, string>>): string {
  return text.replace(/\{(total|visible|amount)\}/g, (_, figure: TextFigure) => figures[figure]);
}

/** What is wrong with a shop's own wording; `named`: a figure that there is none of, in its brackets. */
export type TextWrong = { what: 'empty' | 'long' } | { what: 'unknown'; named: string };

/** What is wrong with a shop's own wording; null: nothing. */
export function textWrong(text: string): TextWrong | null {
  if (text.trim() === '') return { what: 'empty' };
  if (text.length > 400) return { what: 'long' };
  const strange = /\{([^}]*)\}/g;
  for (const [named, name] of text.matchAll(strange))
    if (!TEXT_FIGURES.some((figure) => figure === name)) return { what: 'unknown', named };
  return null;
}
