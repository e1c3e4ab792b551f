// What is heard at the screen lathe, from the numbers the core gave: the hum of the turning, knocks, the hiss of the cut,
// a tick where something open works, a tap that rings or is dull.
import type { RehearsalState } from "../api/document";

const HUM_HZ = 34;
const LOUD = { hum: 0.05, knock: 0.35, hiss: 0.06, tick: 0.22, tap: 0.4 };
/** Faster than this the ear hears a tone, no longer knocks. */
const MOST_KNOCKS = 40;
const AHEAD_S = 0.25;

/** One sound for one screen lathe; silent until `start`, gone after `close`. */
export class LatheSound {
  private context: AudioContext | undefined;
  private hum: OscillatorNode | undefined;
  private humGain: GainNode | undefined;
  private hissGain: GainNode | undefined;
  private timer: ReturnType<typeof setInterval> | undefined;
  private senses: RehearsalState["senses"] | undefined;
  private next = 0;

  /** Has to follow a press, or a browser keeps it silent. */
  start() {
    if (this.context) return;
    const context = new AudioContext();
    this.context = context;
    this.hum = new OscillatorNode(context, { type: "triangle", frequency: HUM_HZ });
    this.humGain = new GainNode(context, { gain: 0 });
    this.hum.connect(this.humGain).connect(context.destination);
    this.hum.start();
    const noise = new AudioBufferSourceNode(context, { buffer: hiss(context), loop: true });
    this.hissGain = new GainNode(context, { gain: 0 });
    noise
      .connect(new BiquadFilterNode(context, { type: "bandpass", frequency: 2600, Q: 0.7 }))
      .connect(this.hissGain)
      .connect(context.destination);
    noise.start();
    this.timer = setInterval(() => this.strike(), 100);
    this.play(this.senses);
  }

  /** What is to be heard from now on. */
  play(senses: RehearsalState["senses"] | undefined) {
    this.senses = senses;
    if (!this.context || !senses) return;
    const { turns_per_s: turns, shake_share: shake, cutting } = senses;
    const now = this.context.currentTime;
    this.hum?.frequency.setTargetAtTime(HUM_HZ + 4 * turns, now, 0.2);
    this.humGain?.gain.setTargetAtTime(turns > 0 ? LOUD.hum * (1 + Math.min(3, shake)) : 0, now, 0.2);
    this.hissGain?.gain.setTargetAtTime(cutting && turns > 0 ? LOUD.hiss : 0, now, 0.1);
  }

  /** A tap on the standing piece. */
  tap(dull: boolean) {
    const { context, senses } = this;
    if (!context) return;
    const pitch = (senses?.ring_hz ?? 400) * (dull ? 0.6 : 1);
    struck(context, context.currentTime, pitch, dull ? 0.05 : 0.5, LOUD.tap);
  }

  close() {
    clearInterval(this.timer);
    void this.context?.close();
    this.context = undefined;
  }

  /** The knocks and ticks that fall into the next moment. */
  private strike() {
    const { context, senses } = this;
    if (!context || !senses || senses.turns_per_s === 0) return;
    const knocks = Math.min(MOST_KNOCKS, senses.knocks_per_s);
    const ticks = senses.signs.some(({ key }) => key === "ticks" || key === "rattles" || key === "creaks");
    const every = knocks > 0 && senses.cutting ? 1 / knocks : ticks ? 1 / senses.turns_per_s : 0;
    if (every === 0) return;
    this.next = Math.max(this.next, context.currentTime);
    while (this.next < context.currentTime + AHEAD_S) {
      if (knocks > 0 && senses.cutting) struck(context, this.next, 110, 0.03, LOUD.knock * Math.sqrt(senses.air_share));
      if (ticks) struck(context, this.next, 1900, 0.012, LOUD.tick);
      this.next += every;
    }
  }
}

/** A damped tone: loud at once, to 1/e in so many seconds. */
function struck(context: AudioContext, at: number, hz: number, decayS: number, loud: number) {
  const tone = new OscillatorNode(context, { type: "sine", frequency: hz });
  const gain = new GainNode(context, { gain: 0 });
  gain.gain.setValueAtTime(loud, at);
  gain.gain.setTargetAtTime(0, at, decayS);
  tone.connect(gain).connect(context.destination);
  tone.start(at);
  tone.stop(at + 8 * decayS);
}

function hiss(context: AudioContext): AudioBuffer {
  const buffer = context.createBuffer(1, context.sampleRate, context.sampleRate);
  const samples = buffer.getChannelData(0);
  for (let index = 0; index < samples.length; index++) samples[index] = Math.random() * 2 - 1;
  return buffer;
}
