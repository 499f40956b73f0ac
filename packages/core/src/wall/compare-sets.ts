/** A fired piece, as far as it is compared with others. */
export interface ComparedPiece {
  id: string;
  /** Which glazes are seen on it, by `combinationKey`, in any order. */
  combinations: readonly string[];
  bodyId: string;
  cone: string;
  /** The coat outside, mm; left out where nobody knows. */
  coatMm?: number | undefined;
}

/** Pieces that differ in one thing, in its order. */
export interface CompareSet {
  by: 'coat' | 'cone' | 'body';
  ids: string[];
}

/** Coats this near to one another are the same, mm. */
const SAME_MM = 0.05;
const MOST = 6;

/**
 * Returns the sets in which a piece can be looked at: thin to thick, cone to cone, body to body, all else alike. A set has two to six pieces, one of
 * each step, the piece itself among them.
 *
 * @param piece - one of them
 * @param pieces - all fired pieces, the newest first
 * @param orderOf - the place of a cone in its row
 * @example
 * compareSets({ id: 'a', combinations: ['/ash'], bodyId: 'claro', cone: '6' }, [{ id: 'b', combinations: ['/ash'], bodyId: 'claro', cone: '5' }], Number)
 * // [{ by: 'cone', ids: ['b', 'a'] }]
 */
export function compareSets(piece: ComparedPiece, pieces: readonly ComparedPiece[], orderOf: (cone: string) => number): CompareSet[] {
  const alike = pieces.filter(({ id, combinations }) => id !== piece.id && sameSet(combinations, piece.combinations));
  const sets: CompareSet[] = [
    {
      by: 'coat',
      ids: stepped(
        piece,
        alike.filter((one) => one.bodyId === piece.bodyId && one.cone === piece.cone && one.coatMm !== undefined),
        (one) => one.coatMm ?? 0,
        SAME_MM,
      ),
    },
    {
      by: 'cone',
      ids: stepped(
        piece,
        alike.filter((one) => one.bodyId === piece.bodyId),
        (one) => orderOf(one.cone),
        0.5,
      ),
    },
    {
      by: 'body',
      ids: eachBody(
        piece,
        alike.filter((one) => one.cone === piece.cone),
      ),
    },
  ];
  return sets.filter(({ by, ids }) => ids.length > 1 && (by !== 'coat' || piece.coatMm !== undefined));
}

/** One piece for each step of a figure, in its order. */
function stepped(piece: ComparedPiece, others: readonly ComparedPiece[], figureOf: (one: ComparedPiece) => number, apart: number): string[] {
  const chosen = [piece];
  for (const other of others) {
    if (chosen.length === MOST) break;
    if (chosen.every((one) => Math.abs(figureOf(one) - figureOf(other)) >= apart)) chosen.push(other);
  }
  return chosen.sort((a, b) => figureOf(a) - figureOf(b)).map(({ id }) => id);
}

function eachBody(piece: ComparedPiece, others: readonly ComparedPiece[]): string[] {
  const byBody = new Map([[piece.bodyId, piece.id]]);
  for (const { id, bodyId } of others) if (!byBody.has(bodyId) && byBody.size < MOST) byBody.set(bodyId, id);
  return [...byBody.values()];
}

const sameSet = (a: readonly string[], b: readonly string[]): boolean => a.length === b.length && a.every((key) => b.includes(key));
