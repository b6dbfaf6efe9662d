export const orderErrors = {
  ORDER_CHANGED: {
    message: '{{by}} changed this meanwhile ({{at}}).',
    fix: 'Your entries are still here. Look at both, then keep one.',
  },
  ERASE_OPEN: {
    message: 'This repair order isn’t handed over yet.',
    fix: 'Hand it over first, then erase the customer.',
  },
  ORDER_NUMBER_TAKEN: {
    message: 'RO {{number}} already exists.',
    fix: 'Open it, or use another number.',
  },
  ORDER_STATE: {
    message: 'This repair order can’t be set to “{{state}}”: {{why}}.',
    fix: 'Clear that first.',
  },
  TOOL_CHANGED: {
    message: '{{by}} changed this tool meanwhile.',
    fix: 'Your entries are still here. Reload the list, then enter them again.',
  },
  TOOL_RANGE: {
    message: 'The lowest value must be below the highest, and the step smaller than both.',
    fix: 'Read them off the wrench again.',
  },
  CHECK_SCALE: {
    message: 'This wrench’s scale was changed since the check.',
    fix: 'Check it again on its present scale.',
  },
  CHECK_DAY: {
    message: 'A check can’t be in the future, and the next one is due after it.',
    fix: 'Correct the dates.',
  },
  PHOTO_KIND: {
    message: 'Photos must be JPEG, PNG or WebP.',
    fix: 'Take a photo, or convert the picture.',
  },
  TRACE_BROKEN: {
    message: 'The curve of this pull didn’t arrive complete.',
    fix: 'This device sends it again. The value itself is saved.',
  },
  PHOTO_BROKEN: {
    message: 'This photo didn’t arrive complete.',
    fix: 'This device sends it again.',
  },
} as const;
