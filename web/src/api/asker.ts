import { Refused } from "./client";
import type { Problem } from "./document";

export const RETRY_MS = 2000;
/** As many as the server has processes in its plainest setting: one calculates while the other's answer is drawn. */
export const AT_ONCE = 2;

type Show<Question, Answer> = {
  answer: (to: Question, is: Answer) => void;
  problem: (problem: Problem) => void;
  broken: (fault: unknown) => void;
};

/**
 * Asks a question that keeps changing: a few at a time, always with the newest next. An answer that comes after a newer one
 * is dropped, so what is shown never goes back. Where the server is away it goes on asking.
 */
export class Asker<Question, Answer> {
  private newest: Question | undefined;
  private asked: Question | undefined;
  private sent = 0;
  private shown = 0;
  private open = 0;
  private retry: ReturnType<typeof setTimeout> | undefined;

  constructor(
    private readonly ask: (question: Question) => Promise<Answer>,
    private readonly show: Show<Question, Answer>,
  ) {}

  /** The question as it is now; undefined where there is none. */
  put(question: Question | undefined) {
    this.newest = question;
    clearTimeout(this.retry);
    void this.go();
  }

  stop() {
    this.newest = undefined;
    clearTimeout(this.retry);
  }

  private async go() {
    const now = this.newest;
    if (now === undefined || now === this.asked || this.open >= AT_ONCE) return;
    this.asked = now;
    const turn = ++this.sent;
    this.open++;
    const show = (put: () => void) => {
      if (turn < this.shown || this.newest === undefined) return;
      this.shown = turn;
      put();
    };
    try {
      const is = await this.ask(now);
      show(() => this.show.answer(now, is));
    } catch (fault) {
      if (fault instanceof Refused) {
        show(() => this.show.problem(fault.problem));
        if (fault.problem.status === 0 || fault.problem.status >= 500) this.again(now);
      } else this.show.broken(fault);
    }
    this.open--;
    void this.go();
  }

  private again(question: Question) {
    clearTimeout(this.retry);
    this.retry = setTimeout(() => {
      if (this.asked === question) this.asked = undefined;
      void this.go();
    }, RETRY_MS);
  }
}
