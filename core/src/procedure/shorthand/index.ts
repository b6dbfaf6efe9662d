export type { Line, LineAction, LineGroup, LineStage, Problem } from './line';
export { printLine } from './print';
export { parseLine, type Parsed } from './parse';
export { lineOf, withLine, type AsLine } from './ofSheet';
