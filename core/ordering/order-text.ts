import { dayText } from '../day-text';
import { type Language, LOCALES } from '../language';
import { moneyText } from '../pricing/money-text';
import { orderTotal, type PartOrderPaper } from './part-order';

interface OrderWords {
  order: (number: string) => string;
  of: (order: string, day: string) => string;
  pack: (modules: number) => string;
  each: (price: string) => string;
  forJob: (job: number) => string;
  total: (total: string) => string;
}

/** An order as its seller reads it, in each language that a shop's papers have. */
const WORDS: Record<Language, OrderWords> = {
  en: {
    order: (number) => `Order ${number}`,
    of: (order, day) => `${order} of ${day}`,
    pack: (modules) => `pack of ${modules}`,
    each: (price) => `${price} each`,
    forJob: (job) => `for job ${job}`,
    total: (total) => `Total without shipping: ${total}`,
  },
  de: {
    order: (number) => `Bestellung ${number}`,
    of: (order, day) => `${order} vom ${day}`,
    pack: (modules) => `Packung mit ${modules}`,
    each: (price) => `je ${price}`,
    forJob: (job) => `für Auftrag ${job}`,
    total: (total) => `Gesamt ohne Versand: ${total}`,
  },
  fr: {
    order: (number) => `Commande ${number}`,
    of: (order, day) => `${order} du ${day}`,
    pack: (modules) => `lot de ${modules}`,
    each: (price) => `${price} pièce`,
    forJob: (job) => `pour le dossier ${job}`,
    total: (total) => `Total hors frais de port : ${total}`,
  },
};

/** What an order is called in the subject of its mail. */
export const orderTitle = ({ number, language }: PartOrderPaper): string => WORDS[language].order(number);

/** An order as the words of a mail, in the language of the shop's papers. */
export function orderText(order: PartOrderPaper): string {
  const words = WORDS[order.language];
  const locale = LOCALES[order.language];
  const money = (cents: number): string => moneyText(cents, order.currency, order.language === 'en' ? 'en' : locale);
  const lines = order.lines.map(({ quantity, title, sellerPart, modules, eachCents, job }) => {
    const pack = modules > 1 ? ` (${words.pack(modules)})` : '';
    const what = `${sellerPart === null ? '' : `${sellerPart}, `}${title}${pack}`;
    return `${quantity} × ${what}, ${words.each(money(eachCents))}, ${words.forJob(job)}`;
  });
  return [
    words.of(orderTitle(order), dayText(order.orderedOn, locale)),
    '',
    ...lines,
    '',
    words.total(money(orderTotal(order))),
    ...(order.note === '' ? [] : ['', order.note]),
    '',
    `${order.shop.name}, ${order.shop.town}`,
    order.shop.contact,
  ].join('\n');
}
