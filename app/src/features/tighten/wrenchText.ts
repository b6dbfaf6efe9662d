/** A digital wrench that is heard on this device. */
export const wrenchText = {
  listen: 'Listen to the wrench',
  stopListening: 'Type readings instead',
  looking:
    'No wrench is heard on this device yet. It is tried again until it is on; readings can be typed meanwhile.',
  heard: (name: string, simulated: boolean) =>
    `Listening to ${name}${simulated ? ', a simulated wrench: its pulls are made up' : ''}.`,
  otherWrench: (heard: string, set: string) =>
    `${heard} is heard, but this stage is tightened with ${set}. What it reads is not kept.`,
  readBy: (name: string, bolt: string) => `${name} on ${bolt}`,
  within: 'Within what is published.',
  below: 'Below what is published: keep it, then this one is pulled again.',
  above: 'Above what is published: a lead decides when it is kept.',
  aboveOwn:
    'Above five per cent more than published; the sheet names no tolerance. It is shown in the record.',
  madeUp: 'Simulated: made up, not measured.',
  missed: (value: string) => `Before it, ${value} was not kept.`,
  keep: (value: string, bolt: string) => `Keep ${value} for ${bolt}`,
  keepTurned: (value: string) => `${value}, it turned`,
  keepStill: (value: string) => `${value}, it did not turn`,
  throwAway: 'Throw it away',
  bringBack: (value: string) => `Bring back ${value}`,
  noTurn:
    'This wrench did not say how far it turned. Type it, or throw it away and turn by the gauge.',
  notThis: (heard: string, set: string) =>
    `${heard} read this, and ${set} is chosen for this stage. Throw it away, or choose the wrench that is in your hand.`,
};
