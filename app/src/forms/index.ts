// Forms with dates and checks: only screens that someone types into need what it brings along.
export { DayField, FormChoice, FormDay, FormMoment, FormText, MomentField } from './FormFields';
export { isMoment } from './moment';
export { needed, words } from './typed';
export { useKeptFields, type KeptFields } from './useKeptFields';
