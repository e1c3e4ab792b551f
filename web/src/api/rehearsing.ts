import { answered, http } from "./connection";
import type { Document, Practice, PracticeTest, RehearsalAct, SearchQuestion } from "./document";

/** Odds, rehearsals, practice and searches: what is played through before it is done. */
export const rehearsing = {
  /** `blank`: kept with that blank, as long as it is that version. */
  askOdds: (document: Document, better = true, blank?: { id: number; version: number }) =>
    answered(http.POST("/api/odds", { body: { document, better, ...(blank && { blank }) } })),
  /** What is in the piece in one of the truths its odds were played on. */
  truth: async (document: Document, seed: number, index: number) =>
    (await answered(http.POST("/api/odds/truth", { body: { document, seed, index } }))).defects,
  odds: async (id: number) => (await answered(http.GET("/api/blanks/{id}/odds", { params: { path: { id } } }))).odds,
  practices: () => answered(http.GET("/api/practices")),
  practice: async (id: number) =>
    (await answered(http.GET("/api/blanks/{id}/practice", { params: { path: { id } } }))).practice,
  beginPractice: (level: number, seed: number) => answered(http.POST("/api/practices", { body: { level, seed } })),
  testPractice: (id: number, test: PracticeTest) =>
    answered(http.POST("/api/blanks/{id}/practice/tests", { params: { path: { id } }, body: { test } })),
  rehearsals: async (id: number) =>
    (await answered(http.GET("/api/blanks/{id}/rehearsals", { params: { path: { id } } }))).rehearsals,
  /** `played`: the truth of its odds that it is played on; without it nobody knows the truth. */
  beginRehearsal: (
    id: number,
    document: Document,
    truth: "unknown" | "survey" | "played",
    played?: { seed: number; index: number },
  ) =>
    answered(
      http.POST("/api/blanks/{id}/rehearsals", {
        params: { path: { id } },
        body: { document, truth, ...(played && { played }) },
      }),
    ),
  /** Where a rehearsal stands, or stood after so many of its acts. */
  rehearsal: (id: number, acts?: number) =>
    answered(
      http.GET("/api/rehearsals/{id}", { params: { path: { id }, ...(acts !== undefined && { query: { acts } }) } }),
    ),
  askSearch: (asked: SearchQuestion) =>
    answered(http.POST("/api/searches", { body: { ...asked, document: asked.document } })),
  search: (id: number) => answered(http.GET("/api/searches/{id}", { params: { path: { id } } })),
  stopSearch: (id: number) => answered(http.DELETE("/api/searches/{id}", { params: { path: { id } } })),
  answerPractice: (id: number, verdict: NonNullable<Practice["verdict"]>) =>
    answered(http.POST("/api/blanks/{id}/practice/verdict", { params: { path: { id } }, body: { verdict } })),
  rehearse: (id: number, position: number, act: RehearsalAct) =>
    answered(http.POST("/api/rehearsals/{id}/acts", { params: { path: { id } }, body: { position, act } })),
};
