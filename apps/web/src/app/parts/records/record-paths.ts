import type { RecordKind } from '@cazuela/contract';

/** How each kind is called, one and many. */
export const RECORD_WORDS: Readonly<Record<RecordKind, readonly [one: string, many: string]>> = {
  recipe: ['recipe', 'recipes'],
  powder: ['powder', 'powders'],
  body: ['clay body', 'clay bodies'],
  piece: ['piece', 'pieces'],
  tile: ['step tile', 'step tiles'],
  runner: ['runner tile', 'runner tiles'],
  window: ['window', 'windows'],
  batch: ['batch', 'batches'],
  bucket: ['bucket', 'buckets'],
  series: ['series', 'series'],
  day: ['day', 'days'],
  kiln: ['kiln', 'kilns'],
  load: ['load of a kiln', 'loads of kilns'],
  schedule: ['schedule', 'schedules'],
  firing: ['firing', 'firings'],
  result: ['result', 'results'],
  change: ['change', 'changes'],
};

const PAGES: Partial<Record<RecordKind, string>> = {
  recipe: '/recipe',
  powder: '/recipe/powders',
  body: '/studio/bodies',
  kiln: '/kiln/kilns',
  load: '/kiln/loads',
  schedule: '/kiln/schedules',
  piece: '/piece',
  tile: '/coat/tile',
  runner: '/piece/runners',
  batch: '/weigh',
  bucket: '/bucket',
  series: '/weigh/series',
};

/** Returns the address of a record; a day is called by its date. */
export function recordLink({ kind, id, name }: { kind: RecordKind; id: string; name: string }): { path: string[]; query: Record<string, string> } {
  const page = PAGES[kind];
  if (page) return { path: [page, id], query: {} };
  if (kind === 'day') return { path: ['/day'], query: { date: name } };
  if (kind === 'firing') return { path: ['/kiln'], query: { firing: id } };
  if (kind === 'change') return { path: ['/wall/changes'], query: {} };
  if (kind === 'result') return { path: ['/wall'], query: { result: id } };
  return { path: ['/coat'], query: kind === 'window' ? { window: id } : {} };
}
