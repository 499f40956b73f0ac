/** Short sounds, made by the browser; nothing is fetched. The first one must follow a tap or a key. */
export class Sound {
  private context: AudioContext | undefined;

  tone(hertz: number, seconds: number): void {
    if (typeof AudioContext === 'undefined') return;
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
