import { kilnBodySchema, type KilnBody } from '@cazuela/contract';
import { v7 as uuid } from 'uuid';

/** A kiln while it is typed: a figure may be missing. */
export interface KilnDraft {
  name: string;
  kind: 'round' | 'rectangular';
  widthMm: number | null;
  depthMm: number | null;
  heightMm: number | null;
  shelves: { id: string; name: string; heightMm: number | null }[];
  /** As typed: "100, 150, 150". */
  posts: string;
  powerWatts: number | null;
  mostCelsius: number | null;
  thermocoupleMm: number | null;
  shelfCarriesGrams: number | null;
  shelfThickMm: number | null;
  hasHalfShelves: boolean;
  openBelowCelsius: number | null;
  note: string;
}

export const NEW_KILN: KilnDraft = {
  name: '',
  kind: 'round',
  widthMm: 450,
  depthMm: 450,
  heightMm: 600,
  shelves: [],
  posts: '',
  powerWatts: null,
  mostCelsius: null,
  thermocoupleMm: null,
  shelfCarriesGrams: null,
  shelfThickMm: null,
  hasHalfShelves: false,
  openBelowCelsius: null,
  note: '',
};

export function draftOf({
  chamber,
  postsMm,
  powerWatts,
  mostCelsius,
  thermocoupleMm,
  shelfCarriesGrams,
  shelfThickMm,
  hasHalfShelves,
  openBelowCelsius,
  ...rest
}: KilnBody): KilnDraft {
  const sizes =
    chamber.kind === 'round' ? { widthMm: chamber.diameterMm, depthMm: chamber.diameterMm } : { widthMm: chamber.widthMm, depthMm: chamber.depthMm };
  return {
    ...rest,
    kind: chamber.kind,
    ...sizes,
    heightMm: chamber.heightMm,
    posts: postsMm.join(', '),
    powerWatts: powerWatts ?? null,
    mostCelsius: mostCelsius ?? null,
    thermocoupleMm: thermocoupleMm ?? null,
    shelfCarriesGrams: shelfCarriesGrams ?? null,
    shelfThickMm: shelfThickMm ?? null,
    hasHalfShelves: hasHalfShelves ?? false,
    openBelowCelsius: openBelowCelsius ?? null,
  };
}

/** The kiln as the records take it, or what is still to be said of it. */
export function readDraft(draft: KilnDraft): { body: KilnBody } | { problem: string } {
  const { name, kind, widthMm, depthMm, heightMm, shelves, posts, note } = draft;
  const isHeightMissing = shelves.some((shelf) => shelf.heightMm === null);
  if (heightMm === null || widthMm === null || (kind === 'rectangular' && depthMm === null))
    return { problem: 'Say how large its chamber is inside.' };
  if (isHeightMissing) return { problem: 'Say how high each shelf stands above the floor.' };
  const postsMm = posts
    .split(/[,;\s]+/)
    .filter((text) => text !== '')
    .map(Number);
  if (postsMm.some((post) => !(post > 0))) return { problem: 'Posts are heights in mm with commas between them: 100, 150, 150.' };
  const optional = (field: 'powerWatts' | 'mostCelsius' | 'thermocoupleMm' | 'shelfCarriesGrams' | 'shelfThickMm' | 'openBelowCelsius'): object =>
    draft[field] === null ? {} : { [field]: draft[field] };
  const read = kilnBodySchema.safeParse({
    name: name.trim(),
    chamber: kind === 'round' ? { kind, diameterMm: widthMm, heightMm } : { kind, widthMm, depthMm, heightMm },
    shelves,
    postsMm,
    ...optional('powerWatts'),
    ...optional('mostCelsius'),
    ...optional('thermocoupleMm'),
    ...optional('shelfCarriesGrams'),
    ...optional('shelfThickMm'),
    ...optional('openBelowCelsius'),
    ...(draft.hasHalfShelves ? { hasHalfShelves: true } : {}),
    note,
  });
  return read.success ? { body: read.data } : { problem: name.trim() === '' ? 'Give the kiln a name.' : read.error.issues[0]!.message };
}

/** One more shelf: as far above the highest one as that stands above the one below it. */
export function withShelf(draft: KilnDraft): KilnDraft {
  const heights = draft.shelves.map(({ heightMm }) => heightMm ?? 0).sort((a, b) => b - a);
  const [top = 0, below = 0] = heights;
  const next = heights.length === 0 ? 40 : top + Math.max(80, top - below);
  const heightMm = Math.min(next, Math.max(0, (draft.heightMm ?? next + 1) - 1));
  return { ...draft, shelves: [...draft.shelves, { id: uuid(), name: `Shelf ${draft.shelves.length + 1}`, heightMm }] };
}
