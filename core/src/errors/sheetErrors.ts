import { entry } from './entry';

/** Refusals of sheets and the values in them. */
export const sheetErrors = {
  SHEET_NOT_RUNNABLE: entry(
    (p) => `There is an error in the sheet, at ${p.where}: ${String(p.what).replace(/\.$/, '')}.`,
    'Have the lead technician correct the sheet, then start.',
  ),
  SHEET_VERSION: entry(
    (p) => `The sheet is written in form ${p.v}, which this version does not know.`,
    'Load the app again; if it stays, have the sheet exported anew.',
  ),
  SHEET_INVALID: entry(
    (p) => `The sheet is wrong at ${p.where}.`,
    'Have the lead technician correct it.',
  ),
  SHEET_ID_TAKEN: entry(
    'A sheet with this name is in the library already.',
    'Open that one and write its next revision.',
  ),
  SHEET_NOT_STANDING: entry(
    'This revision is not the one that stands.',
    'Choose the approved revision of the sheet.',
  ),
  DRAFT_CHANGED: entry(
    (p) => `${p.by} has changed this draft meanwhile (${p.at}).`,
    'Yours is kept on this device. Look at both, then say which one goes on.',
  ),
  DRAFT_GONE: entry(
    'This draft is no longer there: it was approved or discarded.',
    'Yours is kept on this device. Look at the sheet, then keep it as a new draft or let it go.',
  ),
  DRAFT_NOT_READY: entry(
    (p) => `“${p.title}” is not ready: ${String(p.what).replace(/\.$/, '')}.`,
    'Mend it in the draft, then approve it.',
  ),
  DRAFT_WARNINGS: entry(
    (p) =>
      `“${p.title}” has ${p.count} ${p.count === 1 ? 'warning that nobody has answered' : 'warnings that nobody has answered'}.`,
    'Read each one and say that it was meant so.',
  ),
  OWN_DRAFT: entry(
    (p) =>
      `The last change to “${p.title}” is yours. A value is approved by somebody who did not write it.`,
    'Ask the other lead technician to compare it with its source and approve it.',
  ),
  IMPORT_UNREADABLE: entry(
    (p) => `This file cannot be read: ${p.why}.`,
    'Export it again where it comes from, and choose that file. Nothing was written.',
  ),
  IMPORT_REFUSED: entry(
    (p) => `${p.count} of the sheets cannot be taken.`,
    'Mend them in the file, or leave them out. Nothing was written.',
  ),
  CELL_UNREADABLE: entry(
    (p) => `“${p.cell}” in column “${p.column}” cannot be read: ${p.why}.`,
    'Mend that cell and choose the file again.',
  ),
  JOINT_BEGUN: entry(
    'This joint is being tightened, or is tight, by the sheet it has.',
    'Choose a joint that has not been started.',
  ),
  UNIT_KIND: entry(
    (p) => `A value in ${p.from} cannot be turned into ${p.to}.`,
    'Use two units of the same kind.',
  ),
  THREAD_UNKNOWN: entry(
    (p) => `“${p.thread}” is no thread that is known here.`,
    'Write it like M10, M10×1.25 or 3/8-16.',
  ),
  CLASS_UNKNOWN: entry(
    (p) => `“${p.name}” is no property class that is known here.`,
    'Choose one of the classes listed.',
  ),
  UNIT_UNREADABLE: entry(
    (p) => `“${p.text}” is no unit that is known here.`,
    (p) => `Type the number alone; it is taken in ${p.expected}.`,
  ),
  PLANE_UNDETERMINED: entry(
    'A face is measured at four or more places that do not lie on one line.',
    'Measure at more places, over the whole face.',
  ),
  STRIP_TABLE: entry(
    'The marks of this gauge strip contradict each other: a wider strip must mean less clearance.',
    'Read them off the bag again.',
  ),
  NUMBER_UNREADABLE: entry(
    (p) => `“${p.text}” is not a number.`,
    'Type digits, with a point or a comma before the decimals.',
  ),
};
