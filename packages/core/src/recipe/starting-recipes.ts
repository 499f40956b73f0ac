import type { Powder } from '../powder/powder';
import type { LinePart, RecipeLine } from './recipe';

/** A recipe to begin with: our own, worked out from the powder table, never fired on anybody's clay. */
export interface StartingRecipe {
  key: string;
  name: string;
  /** What it is, in a line. */
  words: string;
  surface: 'gloss' | 'satin';
  colour: string;
  /** Powders by the names of the studio's table. */
  lines: readonly { powder: string; part: LinePart; percent: number }[];
}

const base = (...shares: [powder: string, percent: number][]): StartingRecipe['lines'] =>
  shares.map(([powder, percent]) => ({ powder, part: 'base' as const, percent }));
const CLEAR = base(['Frit alumina-boron', 30], ['Silica', 22], ['Potash feldspar', 18], ['Kaolin', 16], ['Whiting', 14]);

/**
 * Three recipes for cone 5 to 6 in oxidation, of powders without a poison among them: no barium, lithium, manganese, chrome, nickel, cobalt or
 * copper. Each melts there by its formula, stands in the bucket without bentonite, and dries sound (tested). Whether one fits a clay and holds
 * food is told by a tile and a leach test.
 */
export const STARTING_RECIPES: readonly StartingRecipe[] = [
  {
    key: 'clear',
    name: 'Clear to begin with',
    words: 'a clear gloss over white or speckled clay, and a liner',
    surface: 'gloss',
    colour: '#DCE3DE',
    lines: CLEAR,
  },
  {
    key: 'white',
    name: 'White to begin with',
    words: 'the clear one made white: hides the clay, takes stain',
    surface: 'gloss',
    colour: '#F0EDE4',
    lines: [...CLEAR, { powder: 'Zirconium silicate', part: 'addition', percent: 9 }],
  },
  {
    key: 'satin',
    name: 'Satin to begin with',
    words: 'a soft satin of talc and whiting, for outsides',
    surface: 'satin',
    colour: '#D9CFBC',
    lines: base(['Frit alumina-boron', 28], ['Silica', 18], ['Kaolin', 22], ['Talc', 14], ['Whiting', 12], ['Potash feldspar', 6]),
  },
];

/**
 * Returns the lines of a starting recipe with the studio's own powders, or the names of those that it does not have.
 *
 * @param question - `recipe`; `powders` of the studio, found by name; `newId`, which makes ids
 * @example
 * startingLines({ recipe: STARTING_RECIPES[0], powders: [], newId: () => 'x' }).missing.length // 5
 */
export function startingLines({
  recipe,
  powders,
  newId,
}: {
  recipe: StartingRecipe;
  powders: readonly Pick<Powder, 'id' | 'name'>[];
  newId: () => string;
}): { lines: RecipeLine[]; missing: string[] } {
  const idOf = new Map(powders.map(({ id, name }) => [name, id]));
  const lines = recipe.lines.flatMap(({ powder, part, percent }) => {
    const powderId = idOf.get(powder);
    return powderId === undefined ? [] : [{ id: newId(), powderId, part, percent }];
  });
  return { lines, missing: recipe.lines.filter(({ powder }) => !idOf.has(powder)).map(({ powder }) => powder) };
}
