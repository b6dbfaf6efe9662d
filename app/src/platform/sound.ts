let context: AudioContext | undefined;

/**
 * Two sounds that are told apart beside a compressor: taken is one high one, not taken two low
 * ones. Silent where there is no audio.
 */
export function beep(kind: 'taken' | 'notTaken'): void {
  try {
    context ??= new AudioContext();
    const tones: readonly (readonly [hz: number, atMs: number])[] =
      kind === 'taken'
        ? [[1320, 0]]
        : ([
            [220, 0],
            [220, 220],
          ] as const);
    for (const [hz, atMs] of tones) tone(context, hz, atMs / 1000);
  } catch {
    // No audio here, or none before the first touch: the screen says the same.
  }
}

let held: OscillatorNode | undefined;
/** From here on a pull is heard, as a part of its target. */
const HEARD_FROM = 0.4;
const [LOWEST_HZ, HIGHEST_HZ, AT_HZ, OVER_HZ] = [300, 900, 1320, 180];

/**
 * One tone that rises while a pull comes near its target, is high and steady at it, and low past
 * it. null: silence.
 */
export function approachTone(at: { share: number; is: 'below' | 'at' | 'over' } | null): void {
  const hz = at && hzOf(at);
  if (!hz) {
    held?.stop();
    held = undefined;
    return;
  }
  try {
    context ??= new AudioContext();
    held ??= begin(context);
    held.frequency.setTargetAtTime(hz, context.currentTime, 0.02);
  } catch {
    // No audio here: the bar on the screen says the same.
  }
}

function hzOf({ share, is }: { share: number; is: 'below' | 'at' | 'over' }): number | null {
  if (is !== 'below') return is === 'at' ? AT_HZ : OVER_HZ;
  if (share < HEARD_FROM) return null;
  const way = Math.min(1, (share - HEARD_FROM) / (1 - HEARD_FROM));
  return LOWEST_HZ * (HIGHEST_HZ / LOWEST_HZ) ** way;
}

function begin(audio: AudioContext): OscillatorNode {
  const oscillator = audio.createOscillator();
  const gain = audio.createGain();
  gain.gain.value = 0.12;
  oscillator.connect(gain).connect(audio.destination);
  oscillator.start();
  return oscillator;
}

function tone(audio: AudioContext, hz: number, after: number): void {
  const oscillator = audio.createOscillator();
  const gain = audio.createGain();
  oscillator.frequency.value = hz;
  gain.gain.value = 0.2;
  oscillator.connect(gain).connect(audio.destination);
  oscillator.start(audio.currentTime + after);
  oscillator.stop(audio.currentTime + after + 0.14);
}

const WORK_SOUNDS = {
  click: { hz: 2400, seconds: 0.03, gain: 0.3, kind: 'square' },
  tooth: { hz: 900, seconds: 0.012, gain: 0.08, kind: 'square' },
  creak: { hz: 95, seconds: 0.07, gain: 0.12, kind: 'sawtooth' },
} as const;

/** What a wrench sounds like: its click, a tooth of its ratchet, a bolt that creaks near yield. */
export function workSound(of: keyof typeof WORK_SOUNDS): void {
  try {
    context ??= new AudioContext();
    const { hz, seconds, gain: loud, kind } = WORK_SOUNDS[of];
    const oscillator = context.createOscillator();
    const gain = context.createGain();
    oscillator.type = kind;
    oscillator.frequency.value = hz;
    gain.gain.value = loud;
    oscillator.connect(gain).connect(context.destination);
    oscillator.start();
    oscillator.stop(context.currentTime + seconds);
  } catch {
    // No audio here: the picture says the same.
  }
}
