// What a lead keeps the sheets in order with; nobody at the vehicle loads it.
export { EditorScreen } from '@/features/editor';
export { LibraryScreen } from '@/features/library';
