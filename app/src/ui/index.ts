// What every screen is made of. What draws sheets, runs and records stands in `work`: Today is
// shown before any of core is loaded for it.
export { BigButton } from './BigButton';
export { Card } from './Card';
export { PinField } from './PinField';
export {
  Chip,
  ChoiceField,
  FieldLabel,
  FieldRow,
  FlagsField,
  NumberField,
  Problem,
  TextField,
} from './fields';
export { Fold } from './Fold';
export { Loading, Notice } from './Notice';
export { ScreenFrame, useIsWide } from './ScreenFrame';
export { darkTheme, FONT, lightTheme, MONO, useInks } from './theme';
export { Heading, Line, Section } from './Section';
export { pressedBySpace } from './spaceKey';
export { SavedBadge } from './SavedBadge';
export { default as Icon } from './PaperIcon';
export { Waiting } from './Waiting';
export { Why } from './Why';
