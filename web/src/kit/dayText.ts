/** A day with its year, of a day or a moment as the server has it. */
export const dayText = (day: string) =>
  new Date(day).toLocaleDateString("en-GB", { day: "numeric", month: "short", year: "numeric" });
