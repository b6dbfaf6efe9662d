const EQUAL = 1e-9;
const isWhole = (x: number): boolean => Math.abs(x - Math.round(x)) < EQUAL;

/**
 * An angle as a hand counts it: flats of a hexagon (60°), points of a 12-point socket (30°), turns.
 */
export interface Flats {
  flats: number;
  points12: number;
  turns: number;
  wholeFlats: boolean;
  wholePoints12: boolean;
}

/** @example flats(90) // 1.5 flats, 3 points, a quarter turn */
export function flats(angleDeg: number): Flats {
  const [count, points12] = [angleDeg / 60, angleDeg / 30];
  return {
    flats: count,
    points12,
    turns: angleDeg / 360,
    wholeFlats: isWhole(count),
    wholePoints12: isWhole(points12),
  };
}

export interface ClockPlace {
  /** On a dial of twelve, 12 at the top. */
  hour: number;
  fullTurns: number;
  exactHour: number | null;
  dialMinutes: number;
}

/**
 * Where the handle ends when it stood at `startHour` and is turned by an angle. Whole turns are
 * counted apart.
 */
export function clockAfter(startHour: number, angleDeg: number, clockwise = true): ClockPlace {
  const end = startHour + ((clockwise ? 1 : -1) * angleDeg) / 30;
  const onDial = ((((end % 12) + 12) % 12) + EQUAL) % 12;
  const hour = onDial < 2 * EQUAL ? 12 : Number((onDial - EQUAL).toPrecision(12));
  return {
    hour,
    fullTurns: Math.floor(angleDeg / 360 + EQUAL),
    exactHour: isWhole(hour) ? Math.round(hour) : null,
    dialMinutes: hour === 12 ? 0 : hour * 5,
  };
}

export interface Swings {
  /** Of each stroke, after which the tool engages again. */
  usableDeg: number;
  /** Strokes when each is the usable one; null where the tool never engages again in this room. */
  swings: number | null;
  /** When the first stroke uses all the room there is. */
  swingsBest: number | null;
  lastStrokeDeg: number | null;
}

/**
 * How many strokes an angle takes where the handle has little room.
 * @param limitDeg room for the handle
 * @param stepDeg how far apart the places are at which it engages again: 5° for a fine ratchet, 30°
 * for a 12-point ring
 */
export function swings(angleDeg: number, limitDeg: number, stepDeg: number): Swings {
  if (angleDeg <= EQUAL)
    return {
      usableDeg: Math.floor(limitDeg / stepDeg + EQUAL) * stepDeg,
      swings: 0,
      swingsBest: 0,
      lastStrokeDeg: 0,
    };
  const usableDeg = Math.floor(limitDeg / stepDeg + EQUAL) * stepDeg;
  if (usableDeg <= 0)
    return {
      usableDeg: 0,
      swings: null,
      swingsBest: angleDeg <= limitDeg + EQUAL ? 1 : null,
      lastStrokeDeg: null,
    };
  const count = Math.ceil(angleDeg / usableDeg - EQUAL);
  const best =
    angleDeg <= limitDeg + EQUAL ? 1 : 1 + Math.ceil((angleDeg - limitDeg) / usableDeg - EQUAL);
  return {
    usableDeg,
    swings: count,
    swingsBest: best,
    lastStrokeDeg: angleDeg - (count - 1) * usableDeg,
  };
}
