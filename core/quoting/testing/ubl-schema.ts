import type { Element } from '../paper/ubl-elements';

/**
 * Elements of UBL 2.3 that documents of ours may use, in the order of its schema (OASIS UBL 2.3, UBL-Quotation-2.3.xsd,
 * UBL-Order-2.3.xsd and the common components), each with how often it may stand.
 */
const SCHEMA: Record<string, string> = {
  Quotation: `UBLVersionID? CustomizationID? ProfileID? ProfileExecutionID? ID CopyIndicator? UUID? IssueDate IssueTime? Note*
    PricingCurrencyCode? LineCountNumeric? ValidityPeriod? RequestForQuotationDocumentReference?
    AdditionalDocumentReference* Contract* Signature* SellerSupplierParty BuyerCustomerParty? OriginatorCustomerParty?
    Delivery* DeliveryTerms? PaymentMeans? TransactionConditions? AllowanceCharge* DestinationCountry? TaxTotal*
    QuotedMonetaryTotal QuotationLine+`,
  Order: `UBLVersionID? CustomizationID? ProfileID? ProfileExecutionID? ID SalesOrderID? CopyIndicator? UUID? IssueDate IssueTime?
    OrderTypeCode? Note* RequestedInvoiceCurrencyCode? DocumentCurrencyCode? PricingCurrencyCode? TaxCurrencyCode?
    CustomerReference? AccountingCostCode? AccountingCost? LineCountNumeric? ValidityPeriod* QuotationDocumentReference?
    OrderDocumentReference* OriginatorDocumentReference? CatalogueReference? AdditionalDocumentReference* Contract*
    ProjectReference* Signature* BuyerCustomerParty SellerSupplierParty OriginatorCustomerParty? FreightForwarderParty?
    AccountingCustomerParty? Delivery* DeliveryTerms? PaymentMeans* PaymentTerms* TransactionConditions? AllowanceCharge*
    TaxExchangeRate? PricingExchangeRate? PaymentExchangeRate? DestinationCountry? TaxTotal* AnticipatedMonetaryTotal?
    OrderLine+`,
  AnticipatedMonetaryTotal: `LineExtensionAmount? TaxExclusiveAmount? TaxInclusiveAmount? AllowanceTotalAmount?
    ChargeTotalAmount? WithholdingTaxTotalAmount? PrepaidAmount? PayableRoundingAmount? PayableAmount
    PayableAlternativeAmount?`,
  OrderLine: `SubstitutionStatusCode? Note* LineItem SellerProposedSubstituteLineItem* SellerSubstitutedLineItem*
    BuyerProposedSubstituteLineItem* CatalogueLineReference? QuotationLineReference? OrderLineReference* DocumentReference*`,
  SellersItemIdentification: 'ID ExtendedID? BarcodeSymbologyID? PhysicalAttribute* MeasurementDimension* IssuerParty?',
  ValidityPeriod: 'StartDate? StartTime? EndDate? EndTime? DurationMeasure? DescriptionCode* Description*',
  SellerSupplierParty: 'CustomerAssignedAccountID? AdditionalAccountID* DataSendingCapability? Party?',
  BuyerCustomerParty: 'CustomerAssignedAccountID? SupplierAssignedAccountID? AdditionalAccountID* Party?',
  Party: `MarkCareIndicator? MarkAttentionIndicator? WebsiteURI? LogoReferenceID? EndpointID? IndustryClassificationCode?
    PartyIdentification* PartyName* Language? PostalAddress? PhysicalLocation? PartyTaxScheme* PartyLegalEntity* Contact?`,
  PartyName: 'Name',
  PostalAddress: `ID? AddressTypeCode? AddressFormatCode? Postbox? Floor? Room? StreetName? AdditionalStreetName? BlockName?
    BuildingName? BuildingNumber? InhouseMail? Department? MarkAttention? MarkCare? PlotIdentification? CitySubdivisionName?
    CityName? PostalZone? CountrySubentity? CountrySubentityCode? Region? District? TimezoneOffset? AddressLine* Country?`,
  Country: 'IdentificationCode? Name?',
  PartyTaxScheme: `RegistrationName? CompanyID? TaxLevelCode? ExemptionReasonCode? ExemptionReason* RegistrationAddress?
    TaxScheme`,
  PartyLegalEntity: `RegistrationName? CompanyID? RegistrationDate? RegistrationExpirationDate? CompanyLegalFormCode?
    CompanyLegalForm? SoleProprietorshipIndicator? CompanyLiquidationStatusCode? CorporateStockAmount?`,
  Contact: 'ID? Name? Telephone? Telefax? ElectronicMail? Note* OtherCommunication*',
  AllowanceCharge: `ID? ChargeIndicator AllowanceChargeReasonCode? AllowanceChargeReason* MultiplierFactorNumeric?
    PrepaidIndicator? SequenceNumeric? Amount BaseAmount? AccountingCostCode? AccountingCost? PerUnitAmount? TaxCategory*
    TaxTotal? PaymentMeans*`,
  TaxTotal: 'TaxAmount RoundingAmount? TaxEvidenceIndicator? TaxIncludedIndicator? TaxSubtotal*',
  TaxSubtotal: `TaxableAmount? TaxAmount CalculationSequenceNumeric? TransactionCurrencyTaxAmount? Percent? BaseUnitMeasure?
    PerUnitAmount? TierRange? TierRatePercent? TaxCategory`,
  TaxCategory: `ID? Name? Percent? BaseUnitMeasure? PerUnitAmount? TaxExemptionReasonCode? TaxExemptionReason* TierRange?
    TierRatePercent? TaxScheme`,
  TaxScheme: 'ID? Name? TaxTypeCode? CurrencyCode? JurisdictionRegionAddress*',
  QuotedMonetaryTotal: `LineExtensionAmount? TaxExclusiveAmount? TaxInclusiveAmount? AllowanceTotalAmount? ChargeTotalAmount?
    WithholdingTaxTotalAmount? PrepaidAmount? PayableRoundingAmount? PayableAmount PayableAlternativeAmount?`,
  QuotationLine: `ID? Note* Quantity? LineExtensionAmount? TotalTaxAmount? RequestForQuotationLineID? DocumentReference*
    LineItem SellerProposedSubstituteLineItem* AlternativeLineItem* RequestLineReference?`,
  LineItem: `ID SalesOrderID? UUID? Note* LineStatusCode? Quantity? LineExtensionAmount? TaxInclusiveLineExtensionAmount?
    TotalTaxAmount? MinimumQuantity? MaximumQuantity? MinimumBackorderQuantity? MaximumBackorderQuantity?
    InspectionMethodCode? PartialDeliveryIndicator? BackOrderAllowedIndicator? AccountingCostCode? AccountingCost?
    WarrantyInformation* Delivery* DeliveryTerms? OriginatorParty? OrderedShipment* PricingReference? AllowanceCharge*
    Price? Item SubLineItem* WarrantyValidityPeriod? WarrantyParty? TaxTotal* ItemPriceExtension? LineReference*`,
  Price:
    'PriceAmount BaseQuantity? PriceChangeReason* PriceTypeCode? PriceType? OrderableUnitFactorRate? ValidityPeriod*',
  Item: `Description* PackQuantity? PackSizeNumeric? CatalogueIndicator? Name? HazardousRiskIndicator? AdditionalInformation*
    Keyword* BrandName* ModelName* BuyersItemIdentification? SellersItemIdentification? ManufacturersItemIdentification*
    StandardItemIdentification? CatalogueItemIdentification? CatalogueDocumentReference? ItemSpecificationDocumentReference*
    OriginCountry? CommodityClassification* TransactionConditions* HazardousItem* ClassifiedTaxCategory*`,
};
SCHEMA.ClassifiedTaxCategory = SCHEMA.TaxCategory ?? '';

/** An element's name without its prefix. */
export const local = ({ name }: Element): string => name.replace(/^\w+:/, '');

/** What of a document is not as the schema has it: an unknown element, a wrong order, too many or too few. */
export function faultsOf(element: Element): string[] {
  const { content } = element;
  const name = local(element);
  const model = SCHEMA[name];
  if (typeof content === 'string') {
    return model === undefined && element.name.startsWith('cbc:') ? [] : [`${element.name} holds a text`];
  }
  if (model === undefined) return [`${name} is not known`];
  const particles = model
    .split(/\s+/)
    .map((one) => ({ name: one.replace(/[?*+]$/, ''), often: one.match(/[?*+]$/)?.[0] }));
  const faults: string[] = [];
  let at = 0;
  for (const child of content) {
    const place = particles.findIndex((one) => one.name === local(child));
    if (place < at) faults.push(`${name}/${local(child)} ${place < 0 ? 'is not known' : 'comes too late'}`);
    at = Math.max(at, place);
  }
  for (const particle of particles) {
    const count = content.filter((child) => local(child) === particle.name).length;
    const isFew = count === 0 && (particle.often === undefined || particle.often === '+');
    const isMany = count > 1 && (particle.often === undefined || particle.often === '?');
    if (isFew || isMany) faults.push(`${name}/${particle.name} stands ${count} times`);
  }
  return [...faults, ...content.flatMap(faultsOf)];
}
