import type { KilnChamber, KilnShelf } from '../kiln';
import type { KeptFree, ShelfOutline } from './load-piece';

/** A kiln as it is loaded. */
export interface KilnToLoad {
  /** Of one shelf, within what must stay free of elements. */
  outline: ShelfOutline;
  /** From the upper face of the lowest shelf to what must stay free under the lid, mm. */
  heightMm: number;
  /** How many shelves there are; half shelves count one each. */
  shelves: number;
  shelfThickMm: number;
  /** Heights of the posts there are, mm; any height when empty. */
  postsMm: readonly number[];
  /** What one shelf carries at heat, g; left out where its maker did not say. */
  shelfCarriesGrams?: number | undefined;
  /** Posts and thermocouple, on every shelf. */
  keptFree?: readonly KeptFree[] | undefined;
  /** Above the lowest shelf, mm: only there it is in the way. */
  thermocoupleMm?: number | undefined;
  /** Two stacks of half shelves beside one another, each with its own heights. */
  isHalved?: boolean | undefined;
  /** How much hotter it is under the lid than on the floor, °C; 0 where no cone has told. */
  warmerUpCelsius?: number | undefined;
}

/** The card of a kiln, as far as loading needs it. */
export interface KilnCard {
  chamber: KilnChamber;
  /** Where they usually stand: the lowest one stands there in any load. */
  shelves: readonly KilnShelf[];
  postsMm: readonly number[];
  thermocoupleMm?: number | undefined;
  shelfCarriesGrams?: number | undefined;
  /** 18 where left out. */
  shelfThickMm?: number | undefined;
  hasHalfShelves?: boolean | undefined;
}

/** From elements and thermocouple to the nearest piece, mm. */
export const ELEMENT_GAP_MM = 20;
export const USUAL_SHELF_MM = 18;
/** A post is so wide, a piece stands so far from it, and posts so far within the shelf's edge, mm. */
const POST_MM = 40;
const POST_GAP_MM = 5;
const POST_IN_MM = 5;
/** A thermocouple reaches so far into the chamber from the middle of its back wall, mm. */
const PROBE_MM = 30;
/** Half shelves leave this between them, mm. */
const HALVES_APART_MM = 10;

/**
 * Returns a kiln as it is loaded: what its elements leave free, three columns of posts (two at the back, one at the door), and the thermocouple in
 * the middle of the back wall.
 *
 * @param card - of the kiln
 * @param warmerUpCelsius - how much hotter it is under the lid than on the floor
 * @example
 * kilnToLoad({ chamber: { kind: 'round', diameterMm: 400, heightMm: 500 }, shelves: [], postsMm: [] }).outline // { kind: 'round', diameterMm: 360 }
 */
export function kilnToLoad(card: KilnCard, warmerUpCelsius = 0): KilnToLoad {
  const { chamber, shelves, postsMm, thermocoupleMm, shelfCarriesGrams, shelfThickMm = USUAL_SHELF_MM, hasHalfShelves } = card;
  const lowestMm = lowestShelfMm(card);
  const outline = outlineOf(chamber, hasHalfShelves ?? false);
  return {
    outline,
    heightMm: chamber.heightMm - lowestMm - ELEMENT_GAP_MM,
    shelves: shelves.length,
    shelfThickMm,
    postsMm,
    shelfCarriesGrams,
    keptFree: [...postPlaces(outline), ...(thermocoupleMm === undefined ? [] : [probePlace(outline)])],
    thermocoupleMm: thermocoupleMm === undefined ? undefined : thermocoupleMm - lowestMm,
    isHalved: hasHalfShelves,
    warmerUpCelsius,
  };
}

/**
 * Returns how high the lowest shelf stands above the floor of its kiln, mm.
 *
 * @param card - its usual shelves
 * @example
 * lowestShelfMm({ shelves: [] }) // 0
 */
export const lowestShelfMm = ({ shelves }: Pick<KilnCard, 'shelves'>): number =>
  shelves.length === 0 ? 0 : Math.min(...shelves.map(({ heightMm }) => heightMm));

function outlineOf(chamber: KilnChamber, isHalved: boolean): ShelfOutline {
  if (chamber.kind === 'round') return { kind: isHalved ? 'halfRound' : 'round', diameterMm: chamber.diameterMm - 2 * ELEMENT_GAP_MM };
  const widthMm = chamber.widthMm - 2 * ELEMENT_GAP_MM;
  return { kind: 'rectangular', widthMm: isHalved ? (widthMm - HALVES_APART_MM) / 2 : widthMm, depthMm: chamber.depthMm - 2 * ELEMENT_GAP_MM };
}

/** Three columns: two at the back, one at the door. */
function postPlaces(outline: ShelfOutline): KeptFree[] {
  const inMm = POST_MM / 2 + POST_IN_MM;
  const at = (xMm: number, yMm: number): KeptFree => ({ xMm, yMm, radiusMm: POST_MM / 2 + POST_GAP_MM, what: 'post' });
  if (outline.kind === 'rectangular') {
    const [x, y] = [outline.widthMm / 2 - inMm, outline.depthMm / 2 - inMm];
    return [at(-x, -y), at(x, -y), at(0, y)];
  }
  const reach = outline.diameterMm / 2 - inMm;
  const slant = reach * Math.SQRT1_2;
  return outline.kind === 'round' ? [at(-slant, -slant), at(slant, -slant), at(0, reach)] : [at(inMm, -slant), at(inMm, slant), at(reach, 0)];
}

function probePlace(outline: ShelfOutline): KeptFree {
  const wallMm = (outline.kind === 'rectangular' ? outline.depthMm : outline.diameterMm) / 2 + ELEMENT_GAP_MM;
  return { xMm: 0, yMm: -wallMm, radiusMm: PROBE_MM + ELEMENT_GAP_MM, what: 'thermocouple' };
}
