import { AppError } from '../errors';

const EQUAL = 1e-9;

/**
 * An adapter on a wrench: from the drive square to the bolt's axis, and at which angle to the
 * handle it stands.
 */
export interface Lever {
  /** Drive square to the middle of the grip. */
  lengthMm: number;
  offsetMm: number;
  /** 0 straight ahead, 90 square to the handle, 180 folded back. */
  angleDeg: number;
}

/**
 * What the scale must say over what the bolt gets: L / (L + E cos a). Square to the handle changes
 * nothing; a straight extension has E = 0. Valid where the wrench is pulled at its grip mark,
 * without a tube on the handle. Source: moments about the bolt's axis, from engineering practice.
 * @throws AppError NO_LEVER where the adapter is folded back as far as the hand
 * @example leverFactor({ lengthMm: 400, offsetMm: 40, angleDeg: 0 }) // 0.909…
 */
export function leverFactor({ lengthMm, offsetMm, angleDeg }: Lever): number {
  // Exactly zero at a right angle, where the cosine is not.
  const along = angleDeg === 90 ? 0 : offsetMm * Math.cos((angleDeg * Math.PI) / 180);
  const reach = lengthMm + along;
  if (reach <= EQUAL || lengthMm <= 0) throw new AppError('NO_LEVER');
  return lengthMm / reach;
}

export interface AdapterSetting {
  settingNm: number;
  factor: number;
  /** At the middle of the grip. */
  handleForceN: number;
  /**
   * By how much the bolt would get more than wanted if the wrench were set to the published value.
   */
  errorIfIgnoredPercent: number;
}

/** @throws AppError NO_LEVER */
export function adapterSetting(torqueNm: number, lever: Lever): AdapterSetting {
  const factor = leverFactor(lever);
  const settingNm = torqueNm * factor;
  return {
    settingNm,
    factor,
    handleForceN: (settingNm * 1000) / lever.lengthMm,
    errorIfIgnoredPercent: (1 / factor - 1) * 100,
  };
}
