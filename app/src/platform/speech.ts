/** Whether this device has a voice; many have none without a network. */
export const hasVoice = (): boolean =>
  typeof speechSynthesis !== 'undefined' &&
  typeof SpeechSynthesisUtterance !== 'undefined' &&
  speechSynthesis.getVoices().length > 0;

/** Says a line, in place of whatever is being said. Silent where there is no voice. */
export function speak(line: string): void {
  if (!hasVoice()) return;
  speechSynthesis.cancel();
  speechSynthesis.speak(new SpeechSynthesisUtterance(line));
}

export function hush(): void {
  if (hasVoice()) speechSynthesis.cancel();
}
