export { SheetSplitter } from './splitSheets';
export { HEADINGS, rowKindOf, rowsOf, withRows, type RowKind } from './sheetRows';
export { defuse, restore, type Row } from './cells';
export { classify, saysTheSame, type Arrival, type Known } from './classify';
