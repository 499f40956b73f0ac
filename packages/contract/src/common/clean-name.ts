/** Marks that turn the writing direction, and characters without width: two names that look the same would not be the same. */
const UNSEEN = /[\u00ad\u061c\u180e\u200b-\u200f\u202a-\u202e\u2060-\u206f\ufeff\ufff9-\ufffb]/gu;
/** Line ends, tabs and other control characters, as pasted text has them. */
const CONTROL = /[\p{Cc}\p{Zl}\p{Zp}]/gu;

/**
 * Returns a name as it is kept: one way of writing each letter (Unicode NFKC), without characters that nobody can see.
 *
 * @param text - as it was typed
 * @example
 * cleanName('  Ash\u200b ') // 'Ash'
 */
export function cleanName(text: string): string {
  return text.normalize('NFKC').replace(UNSEEN, '').replace(CONTROL, ' ').trim();
}
