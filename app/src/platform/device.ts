import { commonText } from '@/language/common';
import { newId } from './ids';
import { keptTexts } from './keptText';

const KEY = 'stennet.device';

/** This browser, for as long as it keeps its storage. */
export function deviceId(): string {
  const kept = keptTexts.get(KEY);
  if (kept) return kept;
  const made = newId();
  keptTexts.put(KEY, made);
  return made;
}

/** How this device is called where another one reads it. */
export function deviceName(): string {
  const { devices } = commonText;
  const agent = navigator.userAgent;
  const kind = /Mobile|Android|iPhone/.test(agent)
    ? devices.phone
    : /iPad|Tablet/.test(agent)
      ? devices.tablet
      : devices.computer;
  return `${kind} ${deviceId().slice(0, 4)}`;
}
