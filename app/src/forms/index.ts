// Forms with dates and checks: only screens that someone types into need what it brings along.
export {
  DayField,
  FormChoice,
  FormDay,
  FormMoment,
  FormSecret,
  FormText,
  MomentField,
} from './FormFields';
export { isMoment } from './moment';
export { Said } from './Said';
export { needed, newPassword, newPin, secret, words } from './typed';
export { useDoing } from './useDoing';
export { useFields } from './useFields';
export { useKeptFields, type KeptFields } from './useKeptFields';
