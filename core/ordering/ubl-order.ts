import { plainMoney } from '../pricing/currency';
import { cac, cbc, type Element, ONE, partyNamed, shopParty } from '../quoting/paper/ubl-elements';
import { orderTotal, type PartOrderPaper } from './part-order';

/**
 * An order of parts as an Order of the Universal Business Language 2.3 (OASIS), elements in the order of its schema. Prices
 * are what the shop expects to pay for a pack.
 */
export function ublOrder(order: PartOrderPaper): Element {
  const money = (name: string, minor: number): Element =>
    cbc(name, plainMoney(minor, order.currency), { currencyID: order.currency });
  const total = orderTotal(order);
  return {
    name: 'Order',
    content: [
      cbc('UBLVersionID', '2.3'),
      cbc('ID', order.number),
      cbc('IssueDate', order.orderedOn),
      ...(order.note === '' ? [] : [cbc('Note', order.note)]),
      cbc('DocumentCurrencyCode', order.currency),
      cbc('LineCountNumeric', String(order.lines.length)),
      cac('BuyerCustomerParty', [shopParty(order.shop)]),
      cac('SellerSupplierParty', [partyNamed(order.seller)]),
      cac('AnticipatedMonetaryTotal', [money('LineExtensionAmount', total), money('PayableAmount', total)]),
      ...order.lines.map((line, nr) =>
        cac('OrderLine', [
          cbc('Note', `job ${line.job}`),
          cac('LineItem', [
            cbc('ID', String(nr + 1)),
            cbc('Quantity', String(line.quantity), { unitCode: ONE }),
            money('LineExtensionAmount', line.quantity * line.eachCents),
            cac('Price', [money('PriceAmount', line.eachCents), cbc('BaseQuantity', '1', { unitCode: ONE })]),
            cac('Item', [
              ...(line.modules > 1 ? [cbc('PackQuantity', String(line.modules), { unitCode: ONE })] : []),
              cbc('Name', line.title),
              ...(line.sellerPart === null ? [] : [cac('SellersItemIdentification', [cbc('ID', line.sellerPart)])]),
            ]),
          ]),
        ]),
      ),
    ],
  };
}
