/**
 * Letters and digits alone, in capitals: what someone types of a plate, a VIN or a phone number is
 * found with and without its blanks and hyphens. The database does the same (`bare`).
 */
export const bare = (words: string): string => words.toUpperCase().replace(/[^\p{L}\p{N}]/gu, '');
