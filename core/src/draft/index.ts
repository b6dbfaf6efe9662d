export {
  besideOf,
  blankGroup,
  DraftSchema,
  copyOf,
  draftOf,
  isLater,
  newDraft,
  nextRevision,
  sheetIdFor,
  type Beside,
  type NewSheet,
} from './draft';
export { inOrder } from './inOrder';
export { checkDraft, findingKey, isApprovable, type DraftFinding } from './checkDraft';
export {
  addPlaces,
  assignGroup,
  circleOfPlaces,
  movePlace,
  numberPlaces,
  removePlaces,
  rowsOfPlaces,
  studAndNut,
  type Point,
} from './places';
export { boltsName, pasteLine } from './pasteLine';
export { writtenOut } from './writtenOut';
export {
  printedIn,
  printedOn,
  takePrinted,
  type Box,
  type Printed,
  type PrintedWord,
} from './printed';
