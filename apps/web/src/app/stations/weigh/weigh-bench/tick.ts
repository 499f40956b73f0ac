import type { Pour } from '@cazuela/core';

/** From one tick in eight readings at the start of the last stretch to one in each at its end, and a low tone when it is over. */
const SLOWEST = 8;

/** Short sounds near the target. Made by the browser; nothing is fetched. */
export class Tick {
  private context: AudioContext | undefined;
  private readings = 0;

  near({ zone, nearShare }: Pour): void {
    if (zone === 'far') return;
    this.readings += 1;
    const every = Math.max(1, Math.round(SLOWEST * (1 - nearShare)));
    if (zone === 'over') this.sound(180, 0.08);
    else if (zone === 'near' && this.readings % every === 0) this.sound(880, 0.02);
  }

  private sound(hertz: number, seconds: number): void {
    this.context ??= new AudioContext();
    const { context } = this;
    const tone = context.createOscillator();
    const loudness = context.createGain();
    loudness.gain.value = 0.08;
    tone.frequency.value = hertz;
    tone.connect(loudness).connect(context.destination);
    tone.start();
    tone.stop(context.currentTime + seconds);
  }
}
