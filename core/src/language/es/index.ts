import { checks } from './checks';
import { draftWords } from './draftWords';
import { drawings } from './drawings';
import { errorVariants } from './errorVariants';
import { errors } from './errors';
import { explanations } from './explanations';
import { friction } from './friction';
import { ladder } from './ladder';
import { measureKinds } from './measureKinds';
import { orders } from './orders';
import { practice } from './practice';
import { procedureWords } from './procedureWords';
import { reading } from './reading';
import { readyChecks } from './readyChecks';
import { recordWords } from './recordWords';
import { roles } from './roles';
import { sheetDifferences } from './sheetDifferences';
import { shorthand } from './shorthand';
import { symptoms } from './symptoms';
import { traced } from './traced';
import { usedOnce } from './usedOnce';
import { verify } from './verify';

/** Spanish, area by area. */
export const es = {
  checks,
  draftWords,
  drawings,
  errorVariants,
  errors,
  explanations,
  friction,
  ladder,
  measureKinds,
  orders,
  practice,
  procedureWords,
  reading,
  readyChecks,
  recordWords,
  roles,
  sheetDifferences,
  shorthand,
  symptoms,
  traced,
  usedOnce,
  verify,
};
