import { AxeBuilder } from '@axe-core/playwright';
import { expect, type Technician } from './house';

const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/**
 * The dark theme's colors are tested each against each by themselves; the short run looks at them
 * on these screens.
 */
const IN_THE_DARK = new Set([
  'sign in',
  'today',
  'start',
  'settling',
  'angle',
  'record',
  'found',
  'sheet',
  'hold point',
]);

/**
 * No finding of axe on the screen as it stands, in both themes. The dark one has the same page in
 * other colors, a wide one the same colors on another page.
 */
export async function clean(t: Technician, screen: string): Promise<void> {
  const isWide = (t.page.viewportSize()?.width ?? 0) >= 900;
  const isDarkToo = process.env.STENNET_ALL ? true : !isWide && IN_THE_DARK.has(screen);
  for (const colorScheme of isDarkToo ? (['light', 'dark'] as const) : (['light'] as const)) {
    await t.page.emulateMedia({ colorScheme });
    await t.page.clock.runFor(400);
    // Else the same colors would be looked at twice.
    await expect
      .poll(() => inkOf(t), { message: `${screen} is ${colorScheme}` })
      .toBe(INK[colorScheme]);
    const { violations } = await axe(t, colorScheme).analyze();
    expect(
      violations.map(
        (v) =>
          `${screen}, ${colorScheme}: ${v.id} ${v.nodes.map((n) => n.html.slice(0, 160)).join(' | ')}`,
      ),
    ).toEqual([]);
  }
}

const INK = { light: 'dark', dark: 'light' } as const;
const inkOf = ({ page }: Technician): Promise<string> =>
  page.evaluate(() => {
    const heading = document.querySelector('[role=heading], h1, h2') ?? document.body;
    const [red = 0] = /\d+/.exec(getComputedStyle(heading).color) ?? [];
    return Number(red) > 127 ? 'light' : 'dark';
  });

function axe({ page }: Technician, theme: 'light' | 'dark'): AxeBuilder {
  // No frame is in any screen: nothing has to be put together from several, on a page of its own
  // each time.
  const builder = new AxeBuilder({ page }).setLegacyMode();
  return theme === 'light'
    ? builder.withTags(RULES)
    : builder.withRules(['color-contrast', 'link-in-text-block']);
}
