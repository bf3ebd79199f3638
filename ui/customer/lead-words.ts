/** When the parts are here, as a customer is told. */
export const leadWords = (days: number): string =>
  days === 0
    ? 'We have the parts here.'
    : `The parts are here ${days === 1 ? 'in one day' : `in ${days} days`} after you say yes.`;
