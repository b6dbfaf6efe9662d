import { print } from './print';
import { reasons } from './reasons';

/** Spanish, area by area. */
export const es = {
  print,
  reasons,
};
