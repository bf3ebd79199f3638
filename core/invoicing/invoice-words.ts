import type { Language } from '../language';
import type { PaymentWay } from './invoice';

/** The words of an invoice in one language. */
export interface InvoiceWords {
  /** on the quote's page */
  see: string;
  invoice: (number: string) => string;
  to: string;
  issued: (day: string) => string;
  supplied: (day: string) => string;
  /** what it is for: the option of a quote that was accepted */
  for: (told: { quote: string; place: number; on: string; machine: string }) => string;
  item: string;
  amount: string;
  paid: (told: { day: string; way: string }) => string;
  ways: Record<PaymentWay, string>;
  due: string;
  dueOn: (amount: string, day: string) => string;
  /** nothing is due any more */
  settled: string;
  /** too much was paid: it goes back */
  back: (amount: string) => string;
  taxNumber: (number: string) => string;
  cancelled: (day: string, why: string) => string;
  /** the one line of an option that was agreed on condition and does not work */
  notWorking: string;
}

/** Invoices in each language that a customer may read. */
export const INVOICE_WORDS: Record<Language, InvoiceWords> = {
  en: {
    see: 'Invoice as PDF',
    invoice: (number) => `Invoice ${number}`,
    to: 'To',
    issued: (day) => `Date: ${day}`,
    supplied: (day) => `Supplied: ${day}`,
    for: ({ quote, place, on, machine }) => `${machine}. Option ${place} of quote ${quote}, accepted on ${on}.`,
    item: 'Item',
    amount: 'Amount',
    paid: ({ day, way }) => `Paid on ${day}, ${way}`,
    ways: { cash: 'in cash', card: 'by card', transfer: 'by transfer', other: 'otherwise' },
    due: 'Due',
    dueOn: (amount, day) => `Please pay ${amount} by ${day}.`,
    settled: 'Paid in full. Thank you.',
    back: (amount) => `You have paid ${amount} too much: we pay it back to you.`,
    taxNumber: (number) => `Tax number ${number}`,
    cancelled: (day, why) => `Cancelled on ${day}: ${why}`,
    notWorking: 'Memory upgrade tried, did not work: your own modules are back in, as agreed',
  },
  de: {
    see: 'Rechnung als PDF',
    invoice: (number) => `Rechnung ${number}`,
    to: 'An',
    issued: (day) => `Datum: ${day}`,
    supplied: (day) => `Leistungsdatum: ${day}`,
    for: ({ quote, place, on, machine }) => `${machine}. Vorschlag ${place} aus Angebot ${quote}, angenommen am ${on}.`,
    item: 'Posten',
    amount: 'Betrag',
    paid: ({ day, way }) => `Bezahlt am ${day}, ${way}`,
    ways: { cash: 'bar', card: 'mit Karte', transfer: 'per Überweisung', other: 'auf anderem Weg' },
    due: 'Zu zahlen',
    dueOn: (amount, day) => `Bitte zahlen Sie ${amount} bis zum ${day}.`,
    settled: 'Vollständig bezahlt. Vielen Dank.',
    back: (amount) => `Sie haben ${amount} zu viel bezahlt: Wir zahlen es zurück.`,
    taxNumber: (number) => `Steuernummer ${number}`,
    cancelled: (day, why) => `Storniert am ${day}: ${why}`,
    notWorking:
      'Speichererweiterung ausprobiert, lief nicht: Ihre eigenen Module sind wieder eingebaut, wie vereinbart',
  },
  fr: {
    see: 'Facture en PDF',
    invoice: (number) => `Facture ${number}`,
    to: 'À',
    issued: (day) => `Date : ${day}`,
    supplied: (day) => `Date de livraison : ${day}`,
    for: ({ quote, place, on, machine }) => `${machine}. Solution ${place} du devis ${quote}, acceptée le ${on}.`,
    item: 'Désignation',
    amount: 'Montant',
    paid: ({ day, way }) => `Payé le ${day}, ${way}`,
    ways: { cash: 'en espèces', card: 'par carte', transfer: 'par virement', other: 'autrement' },
    due: 'Reste à payer',
    dueOn: (amount, day) => `Merci de payer ${amount} avant le ${day}.`,
    settled: 'Payée en totalité. Merci.',
    back: (amount) => `Vous avez payé ${amount} de trop : nous vous le remboursons.`,
    taxNumber: (number) => `Numéro fiscal ${number}`,
    cancelled: (day, why) => `Annulée le ${day} : ${why}`,
    notWorking: 'Extension de mémoire essayée, sans succès : vos propres modules sont remis en place, comme convenu',
  },
};
