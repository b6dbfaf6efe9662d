// Whatever works on a sheet or a run loads as one piece: core's procedure, run and drawings come with it, and not before.
export { ForeignRecordScreen, RecordScreen } from '@/features/record';
export { FindScreen, SheetScreen } from '@/features/sheet';
export { PrepareScreen } from '@/features/prepare';
export { TightenScreen } from '@/features/tighten';
