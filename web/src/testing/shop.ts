import type { Shop } from "../api/document";

/** A shop that nothing was written down in yet. */
export const emptyShop: Shop = {
  name: "Your shop",
  currency: "EUR",
  demo: false,
  climate: { temperature_c: 20, humidity: 0.5 },
  rack: [],
  lathes: {},
  tools: null,
  equipment: { oven: 1, vacuum_vessel: 1, pressure_pot: 1, clamps: 4 },
  next_number: 1,
  put_away: [],
};
