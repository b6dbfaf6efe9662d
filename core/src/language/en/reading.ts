export const reading = {
  // what is wrong with something typed or imported
  cell: {
    flag: 'enter yes or no',
    number: 'enter a number',
    json: 'not valid JSON',
  },
  file: {
    cut: 'the file is cut off',
    between: 'something between the sheets isn’t a sheet',
    deep: 'more than {{n}} levels deep',
    brackets: 'brackets don’t match',
  },
  rows: {
    part: 'part “{{name}}”',
    differ: '{{name}} “{{key}}”: rows disagree',
  },
  draft: {
    atLeastOne: 'Add at least one.',
    empty: 'Fill this in.',
    this: 'This',
    more: '{{got}} must be more than {{than}}.',
    least: '{{got}} must be at least {{least}}.',
    most: '{{got}} must be at most {{most}}.',
    date: '{{got}} isn’t a date. Write it as 2026-03-18.',
    malformed: '{{got}} isn’t valid here.',
  },
} as const;
