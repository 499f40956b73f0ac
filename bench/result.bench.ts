import {
  causesOfFault,
  changesFor,
  colourDifference,
  learntStrengths,
  nextTests,
  seededUniform,
  wallCells,
  type FaultRecord,
  type JudgedPiece,
  type NextTestQuestion,
  type PhotoColour,
  type WallTest,
} from '@cazuela/core';
import { middleMs, type Row } from './measure';

const FEW = { warmUp: 1, rounds: 5, perRound: 1 };
const PIECES = 5_000;
const GLAZES = 60;
const TESTS = 3_000;
const PHOTOS = 5_000;
const COLOURS_OF_PHOTO = 3;

const random = seededUniform(7);
const recordOf = (): FaultRecord => ({
  coatMm: 0.3 + random(),
  windowLowMm: 0.4,
  windowTopMm: 0.8,
  upperShrinkPercent: 10 + 20 * random(),
  secondsShare: 0.5 + 1.5 * random(),
  sgOver: 0.05 * random(),
  holdMinutes: 20 * random(),
  fastestOver1000PerHour: 80 + 150 * random(),
  conesOver: Math.floor(3 * random()),
  bodyIsDark: random() < 0.4,
});

function judged(): JudgedPiece[] {
  const faults = ['crawled', 'pinholed', 'thick', 'blistered'] as const;
  return Array.from({ length: PIECES }, () => ({
    record: recordOf(),
    faults: random() < 0.3 ? [faults[Math.floor(4 * random())]!] : [],
  }));
}

/** Sixty glazes on three clays at two cones: 21,600 cells, and some of them fired. */
function studio(): NextTestQuestion {
  const ids = Array.from({ length: GLAZES }, (_, at) => `g${at}`);
  const any = <T>(list: readonly T[]): T => list[Math.floor(list.length * random())]!;
  const [bodyIds, cones] = [
    ['claro', 'tostado', 'mix'],
    ['5', '6'],
  ];
  return {
    glazes: ids.map((id) => ({
      id,
      oklab: [random(), 0.2 * (random() - 0.5), 0.2 * (random() - 0.5)],
      flow: Math.exp(3 + 3 * random()),
      lnSd: 0.5,
      shrinkPercent: 5 + 20 * random(),
      bucket: 'inRange',
    })),
    bodyIds,
    cones,
    fired: Array.from({ length: TESTS }, () => ({
      lowerId: any(ids),
      upperId: any(ids),
      bodyId: any(bodyIds),
      cone: any(cones),
      stars: 1 + 4 * random(),
    })),
  };
}

/** What results teach, and the wall, in the core. */
export function resultRows(): Row[] {
  const pieces = judged();
  const record = recordOf();
  const strengths = learntStrengths(pieces);
  const question = studio();
  const tests = Array.from({ length: 7 }, () => question.fired)
    .flat()
    .slice(0, 20_000)
    .map((test, at): WallTest => ({ ...test, of: { kind: 'result', id: `r${at}`, name: 'Cup' }, state: 'fired', at: `2026-03-${10 + (at % 20)}` }));
  const causesMs = middleMs(() => {
    causesOfFault('crawled', record, strengths);
    changesFor({ fault: 'crawled', record, facts: { plannedMm: 0.9, lowerShrinkPercent: 8 }, strengths });
  }, FEW);
  const learnMs = middleMs(() => learntStrengths(pieces), FEW);
  const nextMs = middleMs(() => nextTests(question, 5), FEW);
  const cellsMs = middleMs(() => wallCells(tests), FEW);
  const photos = photosOf();
  const colourMs = middleMs(() => {
    for (const { oklab } of photos) colourDifference(oklab, [0.5, 0.05, 0.05]);
  }, FEW);
  const cells = question.bodyIds.length * question.cones.length * GLAZES * GLAZES;
  return [
    { what: 'causes of one fault, and what could be changed', measured: `${causesMs.toFixed(2)} ms`, wanted: 'under 5 ms', ok: causesMs < 5 },
    {
      what: `strengths learnt from ${PIECES.toLocaleString('en')} pieces`,
      measured: `${learnMs.toFixed(0)} ms`,
      wanted: 'under 1 s',
      ok: learnMs < 1_000,
    },
    {
      what: `five next tests among ${cells.toLocaleString('en')} cells, ${TESTS.toLocaleString('en')} fired`,
      measured: `${nextMs.toFixed(0)} ms`,
      wanted: 'under 300 ms',
      ok: nextMs < 300,
    },
    {
      what: `cells of the wall from ${tests.length.toLocaleString('en')} tests`,
      measured: `${cellsMs.toFixed(0)} ms`,
      wanted: 'under 100 ms',
      ok: cellsMs < 100,
    },
    {
      what: `a colour compared with those of ${PHOTOS.toLocaleString('en')} photos`,
      measured: `${colourMs.toFixed(1)} ms`,
      wanted: 'under 200 ms',
      ok: colourMs < 200,
    },
  ];
}

const photosOf = (): PhotoColour[] =>
  Array.from({ length: PHOTOS * COLOURS_OF_PHOTO }, (_, at) => ({
    oklab: [(at % 97) / 97, ((at % 31) - 15) / 60, ((at % 23) - 11) / 60],
    share: 1 / 3,
  }));
