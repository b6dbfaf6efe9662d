/** The page beside the draft, and lists that are put in order. */
export const editorPages = {
  pageOf: 'Page {{n}}',
  noPage:
    'Paste or drop a picture or PDF of the page, or choose a file. It stays here while you type and is kept with the revision.',
  addPage: 'Add a page',
  removePage: 'Remove page',
  keepPage: 'Keep this page',
  cancelPdf: 'Close PDF',
  leaf: 'Page {{n}} of {{of}} in the PDF',
  leafAt: '{{n}} of {{of}}',
  leafBack: 'Previous page',
  leafOn: 'Next page',
  pagesWait_one: '{{count}} page is on this device only. It’s sent when you’re online.',
  pagesWait_other: '{{count}} pages are on this device only. They’re sent when you’re online.',
  pageProblems: {
    kind: 'Pages must be JPEG, PNG, WebP or PDF.',
    pdf: 'Can’t open this PDF. If it’s locked, print it to a new PDF. Opening one needs the server.',
    tooMany: 'A sheet keeps up to 8 pages. Remove one first.',
    refused: 'The server rejected this picture. Take it again.',
  },
  sortStages: 'Order of stages',
  sortSteps: 'Order of steps',
  sortBolts: 'Tightening order',
  sortHandle: 'Move {{what}}',
  sortHow: 'drag handle',
  sortHelp:
    'Press Space to pick it up, move it with the arrow keys, press Space to drop it. Escape puts it back.',
  sortLifted: 'Picked up {{what}}, place {{n}} of {{of}}.',
  sortAt: '{{what}} at place {{n}} of {{of}}.',
  sortDropped: 'Dropped. {{at}}',
  sortLeft: 'Put back: {{what}}, place {{n}} of {{of}}.',
} as const;
