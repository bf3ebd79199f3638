import type { Language } from '../../language';
import type { Kind } from '../../memory/module';
import type { Avoided } from '../what-to-buy';

/** How a specification to buy by reads, in one language. Sizes, rates and volts come as they are written there. */
export interface BuyWords {
  title: (machine: string) => string;
  intro: string;
  type: string;
  contacts: (count: number) => string;
  kind: (kind: Kind) => string;
  or: string;
  voltage: string;
  rate: string;
  rateAtLeast: (rate: number) => string;
  largest: string;
  total: string;
  /** more than papers state was seen to work */
  works: (size: string) => string;
  visible: (total: string) => string;
  slots: string;
  slotsAre: (all: number, free: number) => string;
  soldered: (size: string) => string;
  pairs: string;
  equalPairs: string;
  height: string;
  atMost: (mm: string) => string;
  inside: string;
  notKnown: string;
  avoid: string;
  avoided: (one: Avoided, size: string) => string;
  after: string;
}

const ENGLISH_KINDS = {
  unbuffered: 'unbuffered (UDIMM)',
  registered: 'registered (RDIMM)',
  'load-reduced': 'load-reduced (LRDIMM)',
  'fully-buffered': 'fully buffered (FB-DIMM)',
} as const;

const EN: BuyWords = {
  title: (machine) => `Memory for your ${machine}: what to buy`,
  intro: 'Buy modules of which every line holds. Without prices; we fit what you bring, too.',
  type: 'Type',
  contacts: (count) => `${count} contacts`,
  kind: ({ buffering, ecc }) => `${ENGLISH_KINDS[buffering]}, ${ecc ? 'with ECC' : 'without ECC'}`,
  or: ' or ',
  voltage: 'Voltage',
  rate: 'Data rate',
  rateAtLeast: (rate) => `rated ${rate} MT/s or more; it runs at ${rate} MT/s at most`,
  largest: 'Largest module',
  total: 'Most in all',
  works: (size) => `${size} was seen to work; the maker does not guarantee it`,
  visible: (total) => `the operating system uses at most ${total}`,
  slots: 'Slots',
  slotsAre: (all, free) => `${all}, of which ${free} ${free === 1 ? 'is' : 'are'} free`,
  soldered: (size) => `${size} soldered beside`,
  pairs: 'Pairs',
  equalPairs: 'two equal modules, best as one kit, are faster than one or than two that differ',
  height: 'Height',
  atMost: (mm) => `${mm} mm at most`,
  inside: 'Inside today',
  notKnown: 'not known',
  avoid: 'Do not buy',
  avoided: (one, size) =>
    one.what === 'failed'
      ? `modules of ${size}: they failed in this model`
      : {
          'other-generation': 'another generation: the notch is in another place',
          registered: 'registered, load-reduced or “server” modules',
          unbuffered: 'unbuffered modules, as for desktop machines',
          ecc: 'modules with ECC',
          'no-ecc': 'modules without ECC',
        }[one.what],
  after: 'After fitting, bring or send us the machine’s report: we check it.',
};

const GERMAN_KINDS = {
  unbuffered: 'ungepuffert (UDIMM)',
  registered: 'registriert (RDIMM)',
  'load-reduced': 'lastreduziert (LRDIMM)',
  'fully-buffered': 'voll gepuffert (FB-DIMM)',
} as const;

const DE: BuyWords = {
  title: (machine) => `Speicher für Ihr Gerät ${machine}: was zu kaufen ist`,
  intro: 'Kaufen Sie Module, bei denen jede Zeile stimmt. Ohne Preise; wir bauen auch ein, was Sie mitbringen.',
  type: 'Art',
  contacts: (count) => `${count} Kontakte`,
  kind: ({ buffering, ecc }) => `${GERMAN_KINDS[buffering]}, ${ecc ? 'mit ECC' : 'ohne ECC'}`,
  or: ' oder ',
  voltage: 'Spannung',
  rate: 'Datenrate',
  rateAtLeast: (rate) => `für ${rate} MT/s oder mehr gebaut; das Gerät läuft mit höchstens ${rate} MT/s`,
  largest: 'Größtes Modul',
  total: 'Höchstens insgesamt',
  works: (size) => `${size} liefen bei uns; der Hersteller garantiert es nicht`,
  visible: (total) => `das Betriebssystem nutzt höchstens ${total}`,
  slots: 'Steckplätze',
  slotsAre: (all, free) => `${all}, davon ${free} frei`,
  soldered: (size) => `${size} daneben aufgelötet`,
  pairs: 'Paare',
  equalPairs: 'zwei gleiche Module, am besten als ein Kit, sind schneller als eines oder zwei verschiedene',
  height: 'Höhe',
  atMost: (mm) => `höchstens ${mm} mm`,
  inside: 'Heute eingebaut',
  notKnown: 'nicht bekannt',
  avoid: 'Nicht kaufen',
  avoided: (one, size) =>
    one.what === 'failed'
      ? `Module mit ${size}: In diesem Modell liefen sie nicht`
      : {
          'other-generation': 'eine andere Generation: Die Kerbe sitzt woanders',
          registered: 'registrierte, lastreduzierte oder „Server“-Module',
          unbuffered: 'ungepufferte Module, wie für Schreibtischrechner',
          ecc: 'Module mit ECC',
          'no-ecc': 'Module ohne ECC',
        }[one.what],
  after: 'Bringen oder schicken Sie uns nach dem Einbau den Bericht des Geräts: Wir prüfen ihn.',
};

const FRENCH_KINDS = {
  unbuffered: 'sans tampon (UDIMM)',
  registered: 'à registres (RDIMM)',
  'load-reduced': 'à charge réduite (LRDIMM)',
  'fully-buffered': 'à tampon complet (FB-DIMM)',
} as const;

const FR: BuyWords = {
  title: (machine) => `Mémoire pour votre ${machine} : que faut-il acheter`,
  intro:
    'Achetez des modules pour lesquels chaque ligne est vraie. Sans prix ; nous montons aussi ce que vous apportez.',
  type: 'Type',
  contacts: (count) => `${count} contacts`,
  kind: ({ buffering, ecc }) => `${FRENCH_KINDS[buffering]}, ${ecc ? 'avec ECC' : 'sans ECC'}`,
  or: ' ou ',
  voltage: 'Tension',
  rate: 'Débit',
  rateAtLeast: (rate) => `prévu pour ${rate} MT/s ou plus ; la machine tourne à ${rate} MT/s au plus`,
  largest: 'Module le plus grand',
  total: 'Au plus en tout',
  works: (size) => `nous avons vu fonctionner ${size} ; le fabricant ne le garantit pas`,
  visible: (total) => `le système d’exploitation en utilise au plus ${total}`,
  slots: 'Emplacements',
  slotsAre: (all, free) => `${all}, dont ${free} ${free > 1 ? 'libres' : 'libre'}`,
  soldered: (size) => `${size} soudés à côté`,
  pairs: 'Paires',
  equalPairs: 'deux modules identiques, de préférence en kit, sont plus rapides qu’un seul ou que deux différents',
  height: 'Hauteur',
  atMost: (mm) => `${mm} mm au plus`,
  inside: 'Dans la machine aujourd’hui',
  notKnown: 'inconnu',
  avoid: 'À ne pas acheter',
  avoided: (one, size) =>
    one.what === 'failed'
      ? `des modules de ${size} : ils n’ont pas fonctionné dans ce modèle`
      : {
          'other-generation': 'une autre génération : l’encoche est ailleurs',
          registered: 'des modules à registres, à charge réduite ou « serveur »',
          unbuffered: 'des modules sans tampon, comme pour les ordinateurs de bureau',
          ecc: 'des modules avec ECC',
          'no-ecc': 'des modules sans ECC',
        }[one.what],
  after: 'Après le montage, apportez ou envoyez-nous le rapport de la machine : nous le vérifions.',
};

export const BUY_WORDS: Record<Language, BuyWords> = { en: EN, de: DE, fr: FR };
