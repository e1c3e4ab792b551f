import { answered, http, beginSession } from "./connection";
import type { NewPerson } from "./document";

/** Who works here, how they log in, and the devices they work on. */
export const people = {
  session: beginSession,
  logIn: (name: string, password: string) => answered(http.POST("/api/log-in", { body: { name, password } })),
  giveCode: (code: string) => answered(http.POST("/api/one-time-code", { body: { code } })),
  offerCodes: () => answered(http.POST("/api/one-time-codes")),
  useCodes: (codes: { secret: string; code: string; password: string }) =>
    answered(http.PUT("/api/one-time-codes", { body: codes })),
  dropCodes: (password: string) => answered(http.POST("/api/one-time-codes/off", { body: { password } })),
  leave: (everywhere: boolean) => answered(http.POST("/api/session/end", { body: { everywhere } })),
  logIns: async () => (await answered(http.GET("/api/log-ins"))).log_ins,
  offerPairing: (person_id: number) => answered(http.POST("/api/pairings", { body: { person_id } })),
  usePairing: (code: string, name: string) => answered(http.POST("/api/pairings/use", { body: { code, name } })),
  /** Says at which blank this tab is; who else is at it. */
  sayHere: async (tab: string, turn: number, blank_id: number | null) =>
    // Gets through although the page that says it is being left.
    (await answered(http.POST("/api/here", { body: { tab, turn, blank_id }, keepalive: true }))).others,
  devices: async () => (await answered(http.GET("/api/devices"))).devices,
  rememberDevice: async (name: string) => (await answered(http.POST("/api/devices", { body: { name } }))).devices,
  revokeDevice: async (id: number) =>
    (await answered(http.DELETE("/api/devices/{id}", { params: { path: { id } } }))).devices,
  setPassword: async (id: number, password: string, old?: string) =>
    (
      await answered(
        http.PUT("/api/people/{id}/password", {
          params: { path: { id } },
          body: { password, ...(old !== undefined && { old }) },
        }),
      )
    ).people,
  people: async () => (await answered(http.GET("/api/people"))).people,
  addPerson: async (person: NewPerson) => (await answered(http.POST("/api/people", { body: person }))).people,
  changePerson: async (id: number, person: NewPerson) =>
    (await answered(http.PUT("/api/people/{id}", { params: { path: { id } }, body: person }))).people,
  removePerson: async (id: number) =>
    (await answered(http.DELETE("/api/people/{id}", { params: { path: { id } } }))).people,
};
