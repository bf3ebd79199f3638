import type { Language } from '../language';
import type { Finding, FindingVerdict, ProofVerdict } from './compare-proof';

/** The words of a proof sheet in one language. */
export interface ProofWords {
  sheet: (quote: string) => string;
  title: (machine: string) => string;
  verdict: Record<ProofVerdict, string>;
  point: string;
  promised: string;
  found: string;
  result: string;
  /** on the quote's page, to the person who was promised it */
  seeSheet: string;
  points: Record<Exclude<Finding['kind'], 'slot'>, string>;
  verdicts: Record<FindingVerdict, string>;
  /** so many sockets that are as promised, in one row */
  sockets: (count: number) => string;
  empty: string;
  notTold: string;
  usable: (total: string) => string;
  held: (share: string) => string;
  signed: (by: string, on: string) => string;
  depth: Record<'started' | 'total-read', string> & { loaded: (minutes: number) => string };
  oldModules: string;
  fates: Record<'returned' | 'shelf' | 'scrapped', string>;
  outOf: (what: string, slot: string) => string;
  machineHead: string;
  /** one of several machines, by its place */
  machine: (nr: number) => string;
  /** so many of those that were promised are proved */
  ofMachines: (proved: number, promised: number) => string;
  asPdf: string;
}

/** Proof sheets in each language that a customer may read. */
export const PROOF_WORDS: Record<Language, ProofWords> = {
  en: {
    sheet: (quote) => `Proof sheet to ${quote}`,
    title: (machine) => `Promised and found: ${machine}`,
    verdict: {
      kept: 'The promise is kept.',
      remark: 'The promise is kept, with a remark.',
      broken: 'The promise is not kept yet.',
    },
    point: 'Point',
    promised: 'Promised',
    found: 'Found',
    result: 'Verdict',
    seeSheet: 'Fitted and proved: see the proof sheet',
    points: { total: 'Total memory', rate: 'Running rate', channels: 'Channels' },
    verdicts: { kept: 'kept', remark: 'with a remark', broken: 'not kept', untold: 'not reported' },
    sockets: (count) => `${count} slots, each`,
    empty: 'empty',
    notTold: 'not reported',
    usable: (total) => `${total} usable`,
    held: (share) => `${share} of it is reserved for graphics, devices and firmware.`,
    signed: (by, on) => `Checked and signed by ${by} on ${on}.`,
    depth: {
      started: 'The machine starts.',
      'total-read': 'The machine starts, and its memory was read.',
      loaded: (minutes) => `The machine ran under load for ${minutes} minutes.`,
    },
    oldModules: 'Your old modules',
    fates: { returned: 'given back to you', shelf: 'taken into our stock', scrapped: 'disposed of' },
    outOf: (what, slot) => `${what} out of ${slot}`,
    machineHead: 'Machine',
    machine: (nr) => `Machine ${nr}`,
    ofMachines: (proved, promised) => `${proved} of ${promised} machines are proved.`,
    asPdf: 'As PDF',
  },
  de: {
    sheet: (quote) => `Nachweis zu ${quote}`,
    title: (machine) => `Zugesagt und gefunden: ${machine}`,
    verdict: {
      kept: 'Die Zusage ist erfüllt.',
      remark: 'Die Zusage ist erfüllt, mit Hinweis.',
      broken: 'Die Zusage ist noch nicht erfüllt.',
    },
    point: 'Punkt',
    promised: 'Zugesagt',
    found: 'Gefunden',
    result: 'Ergebnis',
    seeSheet: 'Eingebaut und nachgewiesen: der Nachweis',
    points: { total: 'Speicher insgesamt', rate: 'Datenrate im Betrieb', channels: 'Kanäle' },
    verdicts: { kept: 'erfüllt', remark: 'mit Hinweis', broken: 'nicht erfüllt', untold: 'nicht gemeldet' },
    sockets: (count) => `${count} Steckplätze, jeder`,
    empty: 'leer',
    notTold: 'nicht gemeldet',
    usable: (total) => `${total} nutzbar`,
    held: (share) => `${share} davon sind für Grafik, Geräte und Firmware reserviert.`,
    signed: (by, on) => `Geprüft und unterschrieben von ${by} am ${on}.`,
    depth: {
      started: 'Das Gerät startet.',
      'total-read': 'Das Gerät startet, sein Speicher wurde ausgelesen.',
      loaded: (minutes) => `Das Gerät lief ${minutes} Minuten unter Last.`,
    },
    oldModules: 'Ihre alten Module',
    fates: { returned: 'Ihnen zurückgegeben', shelf: 'in unser Lager genommen', scrapped: 'entsorgt' },
    outOf: (what, slot) => `${what} aus ${slot}`,
    machineHead: 'Gerät',
    machine: (nr) => `Gerät ${nr}`,
    ofMachines: (proved, promised) => `${proved} von ${promised} Geräten sind nachgewiesen.`,
    asPdf: 'Als PDF',
  },
  fr: {
    sheet: (quote) => `Attestation du devis ${quote}`,
    title: (machine) => `Promis et constaté : ${machine}`,
    verdict: {
      kept: 'La promesse est tenue.',
      remark: 'La promesse est tenue, avec une remarque.',
      broken: 'La promesse n’est pas encore tenue.',
    },
    point: 'Point',
    promised: 'Promis',
    found: 'Constaté',
    result: 'Résultat',
    seeSheet: 'Monté et vérifié : l’attestation',
    points: { total: 'Mémoire totale', rate: 'Débit en fonctionnement', channels: 'Canaux' },
    verdicts: { kept: 'tenu', remark: 'avec remarque', broken: 'non tenu', untold: 'non indiqué' },
    sockets: (count) => `${count} emplacements, chacun`,
    empty: 'vide',
    notTold: 'non indiqué',
    usable: (total) => `${total} utilisables`,
    held: (share) => `${share} sont réservés à la partie graphique, aux périphériques et au micrologiciel.`,
    signed: (by, on) => `Vérifié et signé par ${by} le ${on}.`,
    depth: {
      started: 'La machine démarre.',
      'total-read': 'La machine démarre, sa mémoire a été lue.',
      loaded: (minutes) => `La machine a tourné ${minutes} minutes sous charge.`,
    },
    oldModules: 'Vos anciens modules',
    fates: { returned: 'vous ont été rendus', shelf: 'repris dans notre stock', scrapped: 'mis au rebut' },
    outOf: (what, slot) => `${what} de ${slot}`,
    machineHead: 'Appareil',
    machine: (nr) => `Appareil ${nr}`,
    ofMachines: (proved, promised) => `${proved} appareils sur ${promised} sont vérifiés.`,
    asPdf: 'En PDF',
  },
};
