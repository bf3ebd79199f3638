import type { CustomerOption, CustomerQuote } from '../customer-view';
import { capacityIn, languageOfQuote, wordsOf } from '../words/in-language';
import { cac, cbc, customerParty, type Element, shopParty } from './ubl-elements';
import { isLine, netLines, netOf, TaxedElements, taxOf } from './ubl-taxed';

/** Which option of how many, in words. */
function whatText(quote: CustomerQuote, { place, totalMiB }: CustomerOption): string {
  const words = wordsOf(quote);
  const memory = words.ofMemory(capacityIn(languageOfQuote(quote), totalMiB));
  return `${words.option(place)} / ${quote.options.length}: ${memory}`;
}

/**
 * An option of a quote as a Quotation of the Universal Business Language 2.3 (OASIS), elements in the order of its schema.
 * UBL has no alternatives with totals of their own: each option is a document, and says which of how many it is. All amounts
 * are without tax but those that say otherwise.
 */
export function ublQuotation(quote: CustomerQuote, option: CustomerOption): Element {
  const elements = new TaxedElements(quote);
  const net = netLines(quote, option.lines);
  const lines = net.filter(({ line }) => isLine(line));
  const off = net.filter(({ line }) => !isLine(line));
  const [netMinor, taxMinor] = [netOf(net), taxOf(net)];
  return {
    name: 'Quotation',
    content: [
      cbc('UBLVersionID', '2.3'),
      cbc('ID', `${quote.number}-${option.place}`),
      cbc('IssueDate', quote.sentOn),
      cbc('Note', whatText(quote, option)),
      ...option.warnings.map((warning) => cbc('Note', warning)),
      ...(quote.note === undefined ? [] : [cbc('Note', quote.note)]),
      cbc('PricingCurrencyCode', quote.currency),
      cbc('LineCountNumeric', String(lines.length)),
      cac('ValidityPeriod', [cbc('StartDate', quote.sentOn), cbc('EndDate', quote.validUntil)]),
      cac('SellerSupplierParty', [shopParty(quote.shop)]),
      cac('BuyerCustomerParty', [customerParty(quote.customer)]),
      ...off.map((line) => elements.allowance(line)),
      elements.taxTotal(net),
      cac('QuotedMonetaryTotal', [
        elements.money('LineExtensionAmount', netOf(lines)),
        elements.money('TaxExclusiveAmount', netMinor),
        elements.money('TaxInclusiveAmount', netMinor + taxMinor),
        elements.money('AllowanceTotalAmount', -netOf(off)),
        elements.money('PayableAmount', netMinor + taxMinor),
      ]),
      ...lines.map((line, index) => elements.quotationLine(line, index + 1)),
    ],
  };
}
