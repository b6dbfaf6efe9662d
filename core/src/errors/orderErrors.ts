import { entry } from './entry';

/** Refusals of a repair order and what hangs on it. */
export const orderErrors = {
  ORDER_CHANGED: entry(
    (p) => `${p.by} has changed this meanwhile (${p.at}).`,
    'What you typed is still here. Look at both, then keep one.',
  ),
  ERASE_OPEN: entry(
    'This repair order is not handed over yet: whose it is, is still needed.',
    'Hand it over first, then erase the customer.',
  ),
  ORDER_NUMBER_TAKEN: entry(
    (p) => `RO ${p.number} is there already.`,
    'Open that one, or take another number.',
  ),
  ORDER_STATE: entry(
    (p) => `This repair order is not ready to be ${p.state}: ${p.why}.`,
    'Do that first, or look at what blocks it.',
  ),
  TOOL_CHANGED: entry(
    (p) => `${p.by} has changed this tool meanwhile.`,
    'What you typed is still here. Load the list again, then enter it once more.',
  ),
  TOOL_RANGE: entry(
    'The lowest value of the scale must be below the highest, and a graduation smaller than both.',
    'Read it off the wrench again.',
  ),
  PHOTO_KIND: entry(
    'Only photos can be kept here: JPEG, PNG or WebP.',
    'Take a photo, or save the picture in one of these forms.',
  ),
  TRACE_BROKEN: entry(
    'What the wrench saw of this pull did not arrive whole.',
    'It is sent again from this device; the value itself is kept.',
  ),
  PHOTO_BROKEN: entry('This photo did not arrive whole.', 'It is sent again from this device.'),
};
