/** A share as so many in a hundred. */
export const inHundred = (share: number) => (100 * share).toFixed(share > 0 && share < 0.1 ? 1 : 0);
