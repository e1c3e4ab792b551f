// An alarm that is heard over a dust collector: three short tones, again and again until it is stopped.

const TONES_HZ = [880, 1320, 880];
const AGAIN_MS = 2500;

export class Alarm {
  private context: AudioContext | undefined;
  private timer: ReturnType<typeof setInterval> | undefined;

  /** Browsers let a page sound only after a press: call it from one. */
  arm() {
    this.context ??= new AudioContext();
    void this.context.resume();
  }

  start() {
    if (this.timer !== undefined) return;
    this.sound();
    this.timer = setInterval(() => this.sound(), AGAIN_MS);
  }

  stop() {
    clearInterval(this.timer);
    this.timer = undefined;
  }

  private sound() {
    const { context } = this;
    if (!context || context.state !== "running") return;
    TONES_HZ.forEach((hz, index) => {
      const tone = context.createOscillator();
      const loud = context.createGain();
      tone.frequency.value = hz;
      loud.gain.value = 0.25;
      tone.connect(loud).connect(context.destination);
      tone.start(context.currentTime + index * 0.28);
      tone.stop(context.currentTime + index * 0.28 + 0.2);
    });
  }
}
