import type { CheckedFile, ImportOutcome } from '@cazuela/formats';

const many = (count: number, one: string, more = `${one}s`): string => `${count.toLocaleString('en-GB')} ${count === 1 ? one : more}`;
const list = (parts: readonly string[]): string => (parts.length > 1 ? `${parts.slice(0, -1).join(', ')} and ${parts.at(-1)}` : (parts[0] ?? ''));

/** "12 recipes and 3 powders". */
export function countWords({ powders, recipes, batches }: CheckedFile['counts']): string {
  const parts = [recipes && many(recipes, 'recipe'), powders && many(powders, 'powder'), batches && many(batches, 'batch', 'batches')];
  return list(parts.filter((part): part is string => typeof part === 'string')) || 'nothing';
}

export function outcomeWords({ powders, recipes, versions, batches, left }: ImportOutcome): string {
  const taken = countWords({ powders, recipes, batches });
  const changed = versions > 0 ? `, ${many(versions, 'became a new version', 'became new versions')}` : '';
  const leftAlone = left > 0 ? `, ${many(left, 'was here already and was left alone', 'were here already and were left alone')}` : '';
  return `Taken in: ${taken}${changed}${leftAlone}.`;
}
