/**
 * Radios, boxes and tabs act on the space bar too, as people who use a keyboard expect; the page
 * does not scroll by it.
 */
export function pressedBySpace(onPress: () => void): object {
  return {
    onKeyDown: (event: { key?: string; preventDefault: () => void }): void => {
      if (event.key !== ' ') return;
      event.preventDefault();
      onPress();
    },
  };
}
