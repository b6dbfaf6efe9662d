// Every screen but Today and the door, and what of core they work on: one piece, loaded with the
// first of them. In several pieces what two of them share would be loaded before Today, and that is
// nearly all of core.
export * from '@/data/workParts';
export { AccountScreen } from '@/features/account/AccountScreen';
export { SetupScreen } from '@/features/account/SetupScreen';
export { BenchScreen } from '@/features/bench';
export { EditorScreen } from '@/features/editor';
export { FollowUpsScreen } from '@/features/followUps';
export { HistoryScreen } from '@/features/history';
export { LibraryScreen } from '@/features/library';
export { MeasureScreen } from '@/features/measure';
export { OrderFormScreen, OrderScreen, OrdersScreen, PartsScreen } from '@/features/order';
export { PeopleScreen } from '@/features/people';
export { PracticeResultScreen, PracticeScreen } from '@/features/practice';
export { PrepareScreen } from '@/features/prepare';
export { ForeignRecordScreen, RecordScreen } from '@/features/record';
export { FindScreen } from '@/features/find';
export { SheetScreen } from '@/features/sheet';
export { ShopScreen, SystemScreen } from '@/features/shop';
export { PracticeRunScreen, TightenScreen } from '@/features/tighten';
export { ToolsScreen, WrenchScreen } from '@/features/tools';
