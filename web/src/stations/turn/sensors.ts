// What a tablet can feel and hear by itself, where the browser lets it.

const LISTEN_MS = 1500;
const FEEL_MS = 3000;

/** One tap as a WAV file, 16-bit mono, from the moment it is called. Throws where there is no microphone, or none is allowed. */
export async function recordTap(): Promise<Blob> {
  const stream = await navigator.mediaDevices.getUserMedia({
    audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
  });
  const recorder = new MediaRecorder(stream);
  const parts: Blob[] = [];
  recorder.ondataavailable = ({ data }) => parts.push(data);
  const ended = new Promise((resolve) => {
    recorder.onstop = resolve;
  });
  recorder.start();
  setTimeout(() => recorder.stop(), LISTEN_MS);
  await ended;
  stream.getTracks().forEach((track) => track.stop());
  const context = new AudioContext();
  const sound = await context.decodeAudioData(await new Blob(parts).arrayBuffer());
  await context.close();
  return wave(sound.getChannelData(0), sound.sampleRate);
}

/** Samples from -1 to 1 as a WAV file, 16-bit mono. */
export function wave(samples: Float32Array, rate: number): Blob {
  const view = new DataView(new ArrayBuffer(44 + 2 * samples.length));
  const text = (at: number, word: string) =>
    [...word].forEach((one, index) => view.setUint8(at + index, one.charCodeAt(0)));
  text(0, "RIFF");
  view.setUint32(4, 36 + 2 * samples.length, true);
  text(8, "WAVEfmt ");
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, 1, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, 2 * rate, true);
  view.setUint16(32, 2, true);
  view.setUint16(34, 16, true);
  text(36, "data");
  view.setUint32(40, 2 * samples.length, true);
  samples.forEach((sample, index) => {
    view.setInt16(44 + 2 * index, Math.round(Math.max(-1, Math.min(1, sample)) * 32767), true);
  });
  return new Blob([view], { type: "audio/wav" });
}

/** Has the tablet something that feels shaking? */
export const feels = () => "DeviceMotionEvent" in window && "ontouchstart" in window;

/** How much it shakes while it lies on the headstock: the spread of its acceleration, mm/s2; nothing where nothing came. */
export function feelShake(): Promise<number | undefined> {
  const felt: number[] = [];
  const take = ({ accelerationIncludingGravity: pull }: DeviceMotionEvent) => {
    if (pull) felt.push(Math.hypot(pull.x ?? 0, pull.y ?? 0, pull.z ?? 0));
  };
  window.addEventListener("devicemotion", take);
  return new Promise((resolve) => {
    setTimeout(() => {
      window.removeEventListener("devicemotion", take);
      const mean = felt.reduce((sum, one) => sum + one, 0) / felt.length;
      const spread = Math.sqrt(felt.reduce((sum, one) => sum + (one - mean) ** 2, 0) / felt.length);
      resolve(felt.length > 10 ? spread * 1000 : undefined);
    }, FEEL_MS);
  });
}
