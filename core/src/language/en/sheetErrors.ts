export const sheetErrors = {
  SHEET_NOT_RUNNABLE: {
    message: 'The sheet has an error at {{where}}: {{what}}.',
    fix: 'Ask your lead to correct the sheet, then start.',
  },
  SHEET_VERSION: {
    message: 'This sheet uses format {{v}}, which this version can’t read.',
    fix: 'Reload the app. If it happens again, export the sheet again.',
  },
  SHEET_INVALID: {
    message: 'The sheet is invalid at {{where}}.',
    fix: 'Ask your lead to correct it.',
  },
  SHEET_ID_TAKEN: {
    message: 'A sheet with this ID is already in the library.',
    fix: 'Open it and write its next revision.',
  },
  SHEET_NOT_STANDING: {
    message: 'This revision isn’t current.',
    fix: 'Choose the approved revision.',
  },
  DRAFT_CHANGED: {
    message: '{{by}} changed this draft meanwhile ({{at}}).',
    fix: 'Yours is on this device. Look at both, then keep one.',
  },
  DRAFT_GONE: {
    message: 'This draft was approved or deleted.',
    fix: 'Yours is on this device. Check the sheet, then save yours as a new draft or discard it.',
  },
  DRAFT_NOT_READY: {
    message: '“{{title}}” isn’t ready: {{what}}.',
    fix: 'Fix it in the draft, then approve.',
  },
  DRAFT_WARNINGS: {
    message_one: '“{{title}}” has {{count}} unanswered warning.',
    message_other: '“{{title}}” has {{count}} unanswered warnings.',
    fix: 'Read each warning and confirm that it is intended.',
  },
  OWN_DRAFT: {
    message: 'You made the last change to “{{title}}”, so someone else has to approve it.',
    fix: 'Ask the other lead to compare it with its source and approve it.',
  },
  IMPORT_UNREADABLE: {
    message: 'This file can’t be read: {{why}}.',
    fix: 'Export it again and choose that file. Nothing was imported.',
  },
  IMPORT_REFUSED: {
    message_one: '{{count}} sheet can’t be imported.',
    message_other: '{{count}} sheets can’t be imported.',
    fix: 'Fix them in the file, or skip them. Nothing was imported.',
  },
  CELL_UNREADABLE: {
    message: '“{{cell}}” in column “{{column}}” can’t be read: {{why}}.',
    fix: 'Fix that cell and choose the file again.',
  },
  JOINT_BEGUN: {
    message: 'This joint is already started or tightened with its current sheet.',
    fix: 'Choose a joint that hasn’t been started.',
  },
  UNIT_KIND: {
    message: 'Can’t convert {{from}} to {{to}}.',
    fix: 'Use two units of the same kind.',
  },
  THREAD_UNKNOWN: {
    message: 'Unknown thread “{{thread}}”.',
    fix: 'Write it as M10, M10×1.25 or 3/8-16.',
  },
  CLASS_UNKNOWN: {
    message: 'Unknown property class “{{name}}”.',
    fix: 'Choose one from the list.',
  },
  UNIT_UNREADABLE: {
    message: 'Unknown unit “{{text}}”.',
    fix: 'Enter the number only, in {{expected}}.',
  },
  PLANE_UNDETERMINED: {
    message: 'Measure the face at four or more places that aren’t in one line.',
    fix: 'Measure more places over the whole face.',
  },
  STRIP_TABLE: {
    message: 'The strip’s chart is wrong: a wider strip must mean less clearance.',
    fix: 'Read it off the bag again.',
  },
  NUMBER_UNREADABLE: {
    message: '“{{text}}” isn’t a number.',
    fix: 'Enter digits, with a point for decimals.',
  },
} as const;
