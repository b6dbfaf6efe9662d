// Gestures run without the animation library that they would take along: nothing is drawn by it.
export {};
