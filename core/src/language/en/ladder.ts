export const ladder = {
  broke: {
    1: 'Bolt sticks out: soak it, warm the part, grip it near its base and work it both ways.',
    2: 'Flush or below: center-punch it and drill slowly through a guide, to the stop.',
    3: 'Use an extractor in the center hole, with the part warm. Stop before it breaks: a broken extractor can’t be drilled.',
    4: 'Drill to the tap drill size, to the stop. Pick out the rest and chase the thread.',
    5: 'New thread: an insert, or the next size if the wall is thick enough.',
  },
  stripped: {
    1: 'Chase the thread. Check how much is left and how deep.',
    2: 'New thread: an insert, or the next size if the wall is thick enough.',
  },
  driveRounded: {
    1: 'Tighter socket: 6-point, exact size, tapped on square.',
    2: 'Extractor socket, or the next size down tapped on.',
    3: 'Grip the head, or file two flats on it.',
  },
  wontLoosen: {
    1: 'Soak it and give it time.',
    2: 'Heat the part around it, not the bolt.',
    3: 'Tighten it a touch, then back. Long bar, smooth pull.',
  },
} as const;
