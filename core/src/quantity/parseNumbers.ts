import { parseNumber } from './parseNumber';

/**
 * Several numbers as they are typed: apart by blanks, line ends or semicolons, each with point or
 * comma. What is no number is passed over.
 * @example parseNumbers('0.02 0,05; -0.01') // [0.02, 0.05, -0.01]
 */
export const parseNumbers = (text: string): number[] =>
  text
    .split(/[\s;]+/)
    .filter(Boolean)
    .flatMap((part) => {
      try {
        return [parseNumber(part)];
      } catch {
        return [];
      }
    });
