import {
  configureFonts,
  MD3DarkTheme,
  MD3LightTheme,
  useTheme,
  type MD3Theme,
} from 'react-native-paper';
import type { Ink } from '@stennet/core/drawing';

/** Everything that has a color of its own; status is never said by color alone. */
export interface Colours extends Record<Ink, string> {
  bench: string;
  card: string;
  line: string;
  inkSoft: string;
  onBrand: string;
  warnText: string;
}

const light: Colours = {
  none: 'none',
  bench: '#e9edec',
  card: '#fcfdfd',
  line: '#c3cdcf',
  ink: '#182226',
  inkSoft: '#48545a',
  quiet: '#48545a',
  paper: '#fcfdfd',
  part: '#d3dadc',
  partEdge: '#8f9ca2',
  opening: '#c1cacd',
  head: '#8c979d',
  headEdge: '#4f5a60',
  paint: '#12a583',
  brand: '#592454',
  brandSoft: '#eadce8',
  onBrand: '#ffffff',
  warn: '#a34a00',
  warnText: '#7d3900',
};
const dark: Colours = {
  none: 'none',
  bench: '#12181b',
  card: '#1b2327',
  line: '#37434a',
  ink: '#eef3f3',
  inkSoft: '#aebbc0',
  quiet: '#aebbc0',
  paper: '#1b2327',
  part: '#29343a',
  partEdge: '#5d6b73',
  opening: '#182024',
  head: '#86939a',
  headEdge: '#b4c0c5',
  paint: '#3fe3bd',
  brand: '#dba9d7',
  brandSoft: '#4a2d48',
  onBrand: '#2a0f28',
  warn: '#ffb366',
  warnText: '#ffc68a',
};

export const FONT = 'Stennet Next, system-ui, sans-serif';
export const MONO = 'Stennet Mono, ui-monospace, monospace';
export type StennetTheme = MD3Theme & { inks: Colours };

function themeOf(base: MD3Theme, inks: Colours): StennetTheme {
  return {
    ...base,
    roundness: 3,
    inks,
    fonts: configureFonts({ config: { fontFamily: FONT } }),
    colors: {
      ...base.colors,
      primary: inks.brand,
      onPrimary: inks.onBrand,
      primaryContainer: inks.brandSoft,
      onPrimaryContainer: inks.ink,
      background: inks.bench,
      onBackground: inks.ink,
      surface: inks.card,
      onSurface: inks.ink,
      surfaceVariant: inks.card,
      onSurfaceVariant: inks.inkSoft,
      outline: inks.partEdge,
      outlineVariant: inks.line,
      error: inks.warnText,
    },
  };
}

export const lightTheme = themeOf(MD3LightTheme, light);
export const darkTheme = themeOf(MD3DarkTheme, dark);
/** For Paper's fields: they would move their label to where it stands again for every key. */
export const stillLabel = { animation: { scale: 0 } };
export const useInks = (): Colours => useTheme<StennetTheme>().inks;
