import { cac, cbc, customerParty, type Element, shopParty } from '../quoting/paper/ubl-elements';
import { isLine, netLines, netOf, TaxedElements, taxOf } from '../quoting/paper/ubl-taxed';
import { dueCents, type Invoice } from './invoice';

/** UN/ECE 1001: a commercial invoice. */
const COMMERCIAL_INVOICE = '380';
/** UN/ECE 4461: how it is to be paid; an agreement of the parties, or a credit transfer. */
const MEANS = { agreed: '1', transfer: '30' } as const;

/** How it is to be paid: to the shop's account, where it is told. */
function paymentMeans({ dueOn, shop: { bank }, number }: Invoice): Element {
  return cac('PaymentMeans', [
    cbc('PaymentMeansCode', bank === undefined ? MEANS.agreed : MEANS.transfer),
    cbc('PaymentDueDate', dueOn),
    cbc('PaymentID', number),
    ...(bank === undefined ? [] : [cac('PayeeFinancialAccount', [cbc('ID', bank)])]),
  ]);
}

/**
 * An invoice as an Invoice of the Universal Business Language 2.3 (OASIS), elements in the order of its schema. Parts, work and
 * other lines are its lines; credits and discounts are allowances on the whole. All amounts are without tax but those that say
 * otherwise; what was paid before is prepaid.
 */
export function ublInvoice(invoice: Invoice): Element {
  const elements = new TaxedElements(invoice);
  const net = netLines(invoice, invoice.lines);
  const lines = net.filter(({ line }) => isLine(line));
  const off = net.filter(({ line }) => !isLine(line));
  const [netMinor, taxMinor] = [netOf(net), taxOf(net)];
  const due = dueCents(invoice);
  return {
    name: 'Invoice',
    content: [
      cbc('UBLVersionID', '2.3'),
      cbc('ID', invoice.number),
      cbc('IssueDate', invoice.issuedOn),
      cbc('DueDate', invoice.dueOn),
      cbc('InvoiceTypeCode', COMMERCIAL_INVOICE),
      cbc('Note', invoice.machine),
      cbc('TaxPointDate', invoice.suppliedOn),
      cbc('DocumentCurrencyCode', invoice.currency),
      cbc('LineCountNumeric', String(lines.length)),
      cac('OriginatorDocumentReference', [cbc('ID', `${invoice.quote.number}-${invoice.quote.place}`)]),
      cac('AccountingSupplierParty', [shopParty(invoice.shop)]),
      cac('AccountingCustomerParty', [customerParty(invoice.customer)]),
      cac('Delivery', [cbc('ActualDeliveryDate', invoice.suppliedOn)]),
      paymentMeans(invoice),
      ...invoice.prepaid.map(({ on, cents }) =>
        cac('PrepaidPayment', [elements.money('PaidAmount', cents), cbc('ReceivedDate', on)]),
      ),
      ...off.map((line) => elements.allowance(line)),
      elements.taxTotal(net),
      cac('LegalMonetaryTotal', [
        elements.money('LineExtensionAmount', netOf(lines)),
        elements.money('TaxExclusiveAmount', netMinor),
        elements.money('TaxInclusiveAmount', netMinor + taxMinor),
        elements.money('AllowanceTotalAmount', -netOf(off)),
        elements.money('PrepaidAmount', invoice.totalCents - due),
        elements.money('PayableAmount', due),
      ]),
      ...lines.map((line, index) => elements.invoiceLine(line, index + 1)),
    ],
  };
}
