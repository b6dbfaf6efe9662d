// What every screen is made of. What draws sheets, runs and records stands in `work`: Today is
// shown before any of core is loaded for it.
export { BenchLink } from './BenchLink';
export { BigButton } from './BigButton';
export { HeadButton } from './HeadButton';
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
export { Columns } from './Columns';
export { Fold } from './Fold';
export { Loading } from './Loading';
export { Notice } from './Notice';
export { LogoMark, ScreenFrame, useIsWide } from './ScreenFrame';
export { DrawingView } from './DrawingView';
export { RowLink } from './RowLink';
export { StationMark, StationStrip } from './StationStrip';
export { Thumb } from './Thumb';
export { darkTheme, FONT, lightTheme, MONO, stillLabel, useInks } from './theme';
export { FlatSections, Heading, Line, Section } from './Section';
export { QuickTile } from './QuickTile';
export { pressedBySpace } from './spaceKey';
export { SavedBadge } from './SavedBadge';
export { SearchBox } from './SearchBox';
export { default as Icon } from './PaperIcon';
export { ValueRow } from './ValueRow';
export { Waiting } from './Waiting';
export { Why } from './Why';
export { useSteady } from './useSteady';
