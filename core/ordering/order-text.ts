import { moneyText } from '../pricing/money-text';
import { orderTotal, type PartOrderPaper } from './part-order';

/** An order as the words of a mail. */
export function orderText(order: PartOrderPaper): string {
  const money = (cents: number): string => moneyText(cents, order.currency);
  const lines = order.lines.map(({ quantity, title, sellerPart, modules, eachCents, reference }) => {
    const pack = modules > 1 ? ` (pack of ${modules})` : '';
    return `${quantity} × ${sellerPart === null ? '' : `${sellerPart}, `}${title}${pack}, ${money(eachCents)} each, for ${reference}`;
  });
  return [
    `Order ${order.number} of ${order.orderedOn}`,
    '',
    ...lines,
    '',
    `In all, without shipping: ${money(orderTotal(order))}`,
    ...(order.note === '' ? [] : ['', order.note]),
    '',
    `${order.shop.name}, ${order.shop.town}`,
    order.shop.contact,
  ].join('\n');
}
