import type { FieldOption } from './options';

/** Lower case, without accents: "sílice" is found by "silice". */
const plain = (text: string): string => text.normalize('NFD').replace(/\p{M}/gu, '').toLowerCase();

/** Returns the options that hold every typed word, those that begin with the first word before the others. */
export function matchOptions<T extends string | number>(options: readonly FieldOption<T>[], typed: string): readonly FieldOption<T>[] {
  const words = plain(typed).split(/\s+/).filter(Boolean);
  if (words.length === 0) return options;
  const found = options.filter(([, text, group]) => words.every((word) => plain(`${text} ${group ?? ''}`).includes(word)));
  const begins = (option: FieldOption<T>): boolean => plain(option[1]).startsWith(words[0]!);
  return [...found.filter(begins), ...found.filter((option) => !begins(option))];
}
