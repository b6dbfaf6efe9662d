/** How often at most, where neither a line nor the editor has said. */
export const DEFAULT_SETTLED = { kind: 'untilSettled', maxPasses: 5, movedMoreThanDeg: 3 } as const;
export const DEFAULT_SEATED = { kind: 'untilSeated', maxRounds: 12 } as const;
