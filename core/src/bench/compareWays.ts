import {
  scatterBolts,
  scatterInputs,
  scatterOf,
  torqueAloneNm,
  type ClampCase,
  type Scatter,
} from '../clamp';
import { randomFrom } from '../trace';

export interface WaysCompared {
  /** As the case has it. */
  procedure: Scatter;
  /** By a torque alone that aims at the same; null where the case has no angle. */
  alone: (Scatter & { torqueNm: number }) | null;
  bolts: number;
}

/** So many made-up bolts by the procedure, and by a torque alone. */
export function compareWays(
  of: ClampCase,
  bolts: number,
  seed: number,
  onPart?: (share: number) => void,
): WaysCompared {
  const hasAngle = of.angleDeg > 0;
  const run = (some: ClampCase, from: number, part: number): Scatter =>
    scatterOf(
      scatterBolts(
        scatterInputs(some),
        some.angleDeg > 0 ? 'angle' : 'torqueOnly',
        bolts,
        randomFrom(from).normal,
        (share) => onPart?.(part + share / (hasAngle ? 2 : 1)),
      ),
    );
  const procedure = run(of, seed, 0);
  if (!hasAngle) return { procedure, alone: null, bolts };
  const torqueNm = torqueAloneNm(of);
  return {
    procedure,
    alone: { ...run({ ...of, torqueNm, angleDeg: 0 }, seed + 1, 0.5), torqueNm },
    bolts,
  };
}
