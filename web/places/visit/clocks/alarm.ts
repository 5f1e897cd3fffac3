let sound: AudioContext | null = null;

/** Lets this page ring later: a browser allows a sound only after a tap. */
export function allowSound(): void {
  sound ??= typeof AudioContext === "undefined" ? null : new AudioContext();
  void sound?.resume();
}

const BEEPS = 3;
const BEEP_S = 0.35;
const PAUSE_S = 0.25;
const PITCH_HZ = 880;

/** Rings three times and shakes the phone where it can. */
export function ring(): void {
  navigator.vibrate?.([400, 200, 400, 200, 400]);
  if (!sound) return;
  for (let i = 0; i < BEEPS; i++) {
    const tone = sound.createOscillator();
    tone.frequency.value = PITCH_HZ;
    tone.connect(sound.destination);
    const at = sound.currentTime + i * (BEEP_S + PAUSE_S);
    tone.start(at);
    tone.stop(at + BEEP_S);
  }
}
