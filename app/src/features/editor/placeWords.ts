/** `stages.2.target` → “Stages 3, target”. */
export const placeWords = (place: string): string => {
  const words = place
    .replace(/\.(\d+)/g, (_all, n: string) => ` ${Number(n) + 1}`)
    .replace(/\./g, ', ');
  return words.charAt(0).toUpperCase() + words.slice(1);
};
