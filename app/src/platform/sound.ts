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

function tone(audio: AudioContext, hz: number, after: number): void {
  const oscillator = audio.createOscillator();
  const gain = audio.createGain();
  oscillator.frequency.value = hz;
  gain.gain.value = 0.2;
  oscillator.connect(gain).connect(audio.destination);
  oscillator.start(audio.currentTime + after);
  oscillator.stop(audio.currentTime + after + 0.14);
}
