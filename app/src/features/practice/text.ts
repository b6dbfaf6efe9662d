import { textsOf } from '@stennet/core/language';
import { practiceScreens } from '@/language/en/practice';

export const text = textsOf('practiceScreens', practiceScreens);
