import { textsOf } from '@stennet/core/language';
import { practiceScreens } from '@/language/en/practiceScreens';

export const text = textsOf('practiceScreens', practiceScreens);
