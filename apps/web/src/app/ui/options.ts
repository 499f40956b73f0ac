/** An option of a list: its value, and the words that are read. `group` puts it under a heading. */
export type FieldOption<T extends string | number = string> = readonly [value: T, words: string, group?: string];

export interface OptionGroup<T extends string | number> {
  /** The heading; empty for options that stand by themselves. */
  name: string;
  options: readonly FieldOption<T>[];
}

/** Returns the options in their order, neighbours of the same group together. */
export function groupOptions<T extends string | number>(options: readonly FieldOption<T>[]): OptionGroup<T>[] {
  const groups: { name: string; options: FieldOption<T>[] }[] = [];
  for (const option of options) {
    const name = option[2] ?? '';
    const last = groups.at(-1);
    if (last?.name === name) last.options.push(option);
    else groups.push({ name, options: [option] });
  }
  return groups;
}

/** Returns the options of values that are their own words. */
export const plainOptions = <T extends string>(values: readonly T[]): readonly FieldOption<T>[] => values.map((value) => [value, value] as const);
