/** A share as people write it: `12.5 %`. @param bp hundredths of a percent */
export const percentText = (bp: number): string => `${bp / 100} %`;
