/** A random source that gives the same each time: mulberry32. */
export function seeded(seed: number): () => number {
  let a = seed >>> 0;
  return () => {
    a = (a + 0x6d2b79f5) >>> 0;
    let t = Math.imul(a ^ (a >>> 15), a | 1);
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61);
    return ((t ^ (t >>> 14)) >>> 0) / 4_294_967_296;
  };
}

const KEYS = 'abcdefghijklmnopqrstuvwxyz';

/**
 * What a hurried hand types for a list of words: two to four of them (those that tell most always),
 * in any order, one in three with one slip (left out, doubled, changed, two changed over), the last
 * one in four only begun. Published with the measurements that use it.
 * @param words most telling first
 * @param always so many of the first are always among those typed
 */
export function typedLike(words: readonly string[], random: () => number, always = 1): string {
  const pick = (n: number): number => Math.floor(random() * n);
  const rest = words.slice(always);
  const chosen = words.slice(0, always);
  for (let n = 2 + pick(3) - always; n > 0 && rest.length > 0; n -= 1)
    chosen.push(rest.splice(pick(rest.length), 1)[0] ?? '');
  const typed = chosen.map((w) => (random() < 1 / 3 ? slip(w, pick) : w));
  for (let i = typed.length - 1; i > 0; i -= 1) {
    const k = pick(i + 1);
    [typed[i], typed[k]] = [typed[k] ?? '', typed[i] ?? ''];
  }
  const last = typed.at(-1) ?? '';
  if (random() < 1 / 4 && last.length > 4)
    typed[typed.length - 1] = last.slice(0, Math.max(3, last.length - 2));
  return typed.join(' ');
}

function slip(word: string, pick: (n: number) => number): string {
  if (word.length < 4) return word;
  const at = 1 + pick(word.length - 1);
  switch (pick(4)) {
    case 0:
      return word.slice(0, at) + word.slice(at + 1);
    case 1:
      return word.slice(0, at) + (word[at] ?? '') + word.slice(at);
    case 2:
      return word.slice(0, at) + (KEYS[pick(KEYS.length)] ?? 'x') + word.slice(at + 1);
    default:
      return word.slice(0, at - 1) + (word[at] ?? '') + (word[at - 1] ?? '') + word.slice(at + 1);
  }
}
