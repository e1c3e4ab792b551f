// The server's own time on this screen: counted on from its last answer by a clock that nobody sets. When this machine slept, the count is off until the next answer;
// that is seen by the wall clock running ahead of it, and asked for at once.

const SLEPT_MS = 1500;

export class ServerClock {
  private atMs = 0;
  private countedMs = 0;
  private wallMs = 0;

  constructor(
    private readonly counted: () => number = () => performance.now(),
    private readonly wall: () => number = () => Date.now(),
  ) {}

  /** An answer came with the server's time in it. */
  set(iso: string) {
    this.atMs = Date.parse(iso);
    this.countedMs = this.counted();
    this.wallMs = this.wall();
  }

  /** The server's time now, ms. */
  nowMs() {
    return this.atMs + (this.counted() - this.countedMs);
  }

  /** Did this machine sleep, or was its clock set, since the last answer? */
  doubtful() {
    return Math.abs(this.wall() - this.wallMs - (this.counted() - this.countedMs)) > SLEPT_MS;
  }
}

/** Time left or over, as it stands on a clock face: 1:05:09, 12:30, −0:40. */
export function spanText(ms: number): string {
  const seconds = Math.round(Math.abs(ms) / 1000);
  const [hours, minutes, rest] = [Math.floor(seconds / 3600), Math.floor((seconds % 3600) / 60), seconds % 60];
  const two = (value: number) => String(value).padStart(2, "0");
  const sign = ms < 0 && seconds > 0 ? "−" : "";
  if (hours >= 48) return `${sign}${Math.floor(hours / 24)} d ${hours % 24} h`;
  return hours > 0 ? `${sign}${hours}:${two(minutes)}:${two(rest)}` : `${sign}${minutes}:${two(rest)}`;
}
