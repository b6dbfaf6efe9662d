import { textsOf } from '@stennet/core/language';
import { editor } from '@/language/en/editor';

export const text = textsOf('editor', editor);
export type Tab = keyof typeof editor.tabs;
