/** Called whenever someone touches the screen or presses a key. @returns the way to stop */
export function onTouched(tell: () => void): () => void {
  const events = ['pointerdown', 'keydown'] as const;
  for (const event of events) document.addEventListener(event, tell, { passive: true });
  return () => {
    for (const event of events) document.removeEventListener(event, tell);
  };
}
