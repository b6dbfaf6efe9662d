/** Tells those who asked to be told; nothing is kept of what was said. */
export function announcer<T = void>(): {
  on: (hear: (said: T) => void) => () => void;
  tell: (said: T) => void;
} {
  const hearing = new Set<(said: T) => void>();
  return {
    on: (hear) => {
      hearing.add(hear);
      return () => void hearing.delete(hear);
    },
    tell: (said) => {
      for (const hear of hearing) hear(said);
    },
  };
}
