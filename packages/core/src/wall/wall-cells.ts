import { combinationKey, type Combination } from './combination';

/** How far a test is, from a plan to a fired piece. */
export const TEST_STATES = ['planned', 'glazed', 'inKiln', 'fired'] as const;
export type TestState = (typeof TEST_STATES)[number];

/** How thick its upper glaze is, by the window of that glaze on that clay; a step tile has several. */
export const WALL_COATS = ['thin', 'right', 'thick', 'steps'] as const;
export type WallCoat = (typeof WALL_COATS)[number];

/** Which part of the wall is looked at; all of it where left out. */
export interface WallPart {
  bodyId?: string | undefined;
  cone?: string | undefined;
  coat?: WallCoat | undefined;
}

/** One piece or tile that shows a combination. */
export interface WallTest extends Combination {
  /** What it is, and its id. */
  of: { kind: 'result' | 'piece' | 'tile' | 'runner'; id: string; name: string };
  state: TestState;
  /** Left out where nobody knows: a runner tile. */
  bodyId?: string | undefined;
  cone: string;
  /** Left out where nobody knows its coat, or its window. */
  coat?: WallCoat | undefined;
  /** When it was planned, or fired. */
  at: string;
  /** 1–5; left out where none were given. */
  stars?: number | undefined;
  isFaulty?: boolean | undefined;
  photoId?: string | undefined;
}

/** One cell of the wall. */
export interface WallCell extends Combination {
  /** The furthest of its tests. */
  state: TestState;
  fired: number;
  /** Of its fired tests that have stars, the middle. */
  stars?: number | undefined;
  /** Verdicts are two stars apart, or more. */
  isDisputed: boolean;
  photoId?: string | undefined;
  /** Newest first. */
  tests: WallTest[];
}

const APART_STARS = 2;

/**
 * Returns the cells of the wall that are not empty, by `combinationKey`.
 *
 * @param tests - all pieces and tiles, in any order
 * @param slice - of one body, one cone and one coat; of all where left out. What is on a body that nobody knows is in no slice of a body
 * @example
 * wallCells([{ upperId: 'ash', of: { kind: 'tile', id: 't', name: 'T1' }, state: 'fired', cone: '6', at: '2026-03-01' }]).get('/ash')?.fired // 1
 */
export function wallCells(tests: readonly WallTest[], slice: WallPart = {}): Map<string, WallCell> {
  // By the ids one after the other: to join and hash their text for each of thousands of tests takes longer than all the rest.
  const groups = new Map<string, Map<string, WallTest[]>>();
  for (const test of tests) {
    if (slice.bodyId !== undefined && test.bodyId !== slice.bodyId) continue;
    if (slice.cone !== undefined && test.cone !== slice.cone) continue;
    if (slice.coat !== undefined && test.coat !== slice.coat) continue;
    const ofUpper = groups.get(test.upperId) ?? new Map<string, WallTest[]>();
    groups.set(test.upperId, ofUpper);
    const group = ofUpper.get(test.lowerId ?? '');
    if (group) group.push(test);
    else ofUpper.set(test.lowerId ?? '', [test]);
  }
  return new Map(
    [...groups.values()].flatMap((ofUpper) => [...ofUpper.values()].map((group) => [combinationKey(group[0]!), cellOf(group)] as const)),
  );
}

function cellOf(group: WallTest[]): WallCell {
  const tests = isNewestFirst(group) ? group : [...group].sort((a, b) => (a.at < b.at ? 1 : a.at > b.at ? -1 : 0));
  const stars: number[] = [];
  let [furthest, fired] = [0, 0];
  let photoId: string | undefined;
  for (const test of tests) {
    furthest = Math.max(furthest, TEST_STATES.indexOf(test.state));
    if (test.state !== 'fired') continue;
    fired++;
    photoId ??= test.photoId;
    if (test.stars !== undefined) stars.push(test.stars);
  }
  stars.sort((a, b) => a - b);
  const { lowerId, upperId } = tests[0]!;
  return {
    ...(lowerId === undefined ? {} : { lowerId }),
    upperId,
    state: TEST_STATES[furthest]!,
    fired,
    ...(stars.length > 0 ? { stars: stars[Math.floor((stars.length - 1) / 2)] } : {}),
    isDisputed: stars.length > 1 && stars.at(-1)! - stars[0]! >= APART_STARS,
    ...(photoId === undefined ? {} : { photoId }),
    tests,
  };
}

const isNewestFirst = (group: readonly WallTest[]): boolean => group.every(({ at }, place) => place === 0 || at <= group[place - 1]!.at);
