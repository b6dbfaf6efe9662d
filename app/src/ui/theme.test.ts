import { darkTheme, lightTheme } from './theme';

/** Relative luminance and contrast as WCAG 2.2 defines them. */
function luminance(hex: string): number {
  const [r, g, b] = [1, 3, 5]
    .map((i) => parseInt(hex.slice(i, i + 2), 16) / 255)
    .map((c) => (c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4));
  return 0.2126 * (r ?? 0) + 0.7152 * (g ?? 0) + 0.0722 * (b ?? 0);
}
const contrast = (a: string, b: string): number => {
  const [low, high] = [luminance(a), luminance(b)].sort((x, y) => x - y);
  return ((high ?? 0) + 0.05) / ((low ?? 0) + 0.05);
};

describe.each([
  ['light', lightTheme.inks],
  ['dark', darkTheme.inks],
])('%s theme', (_name, inks) => {
  test('text stands out at least 4.5 to 1, the value in hand 7 to 1', () => {
    for (const ink of [inks.ink, inks.inkSoft, inks.quiet, inks.warnText, inks.brand]) {
      for (const ground of [inks.card, inks.bench])
        expect(contrast(ink, ground)).toBeGreaterThanOrEqual(4.5);
    }
    expect(contrast(inks.onBrand, inks.brand)).toBeGreaterThanOrEqual(4.5);
    expect(contrast(inks.ink, inks.card)).toBeGreaterThanOrEqual(7);
  });

  test('signs stand out from the part at least 3 to 1', () => {
    for (const sign of [inks.brand, inks.warn, inks.ink])
      expect(contrast(sign, inks.part)).toBeGreaterThanOrEqual(3);
  });
});
