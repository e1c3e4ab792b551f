/** Day and month of a date: "3 May". */
export const day = (found_on: string) =>
  new Date(found_on).toLocaleDateString("en-GB", { day: "numeric", month: "short" });
