import fc from 'fast-check';
import {
  dryWall,
  faceNow,
  predictCoat,
  THIRST_BACK_MINUTES,
  waitForCoat,
  waited,
  wallAfter,
  wallUsed,
  type Face,
  type PieceTreatment,
  type PieceWall,
} from '../../src/index';

const GLAZE = { sg: 1.46, density: 2.6, state: 'normal' as const };
const THIN: PieceWall = { bisqueCone: '04', wallMm: 2.5 };
const THICK: PieceWall = { bisqueCone: '04', wallMm: 9 };
const dip = (faces: Face[], seconds = 3): PieceTreatment => ({ kind: 'dipped', faces, seconds, glaze: GLAZE });
const wait = (minutes: number, air: 'damp' | 'usual' | 'draught' = 'usual'): PieceTreatment => ({ kind: 'waited', minutes, air });

/** The coat of a dip of the outside after all that. */
function outsideAfter(wall: PieceWall, treatments: PieceTreatment[], seconds = 3): number {
  const { coat } = predictCoat({ ...GLAZE, ...wall, ...faceNow(wallAfter(wall, treatments), ['outside']), seconds });
  return coat.kind === 'ok' ? coat.coatMm : 0;
}

describe('the water in a wall', () => {
  it('inside first and outside within the hour is a thin outside on a thin wall, and hardly thinner on a thick one', () => {
    const [thinAlone, thickAlone] = [outsideAfter(THIN, []), outsideAfter(THICK, [])];
    const inside = [dip(['inside'], 4), wait(45)];
    expect(outsideAfter(THIN, inside) / thinAlone).toBeLessThan(0.75);
    expect(outsideAfter(THICK, inside) / thickAlone).toBeGreaterThan(0.95);
  });

  it('a day later the thin wall drinks as ever', () => {
    expect(outsideAfter(THIN, [dip(['inside'], 4), wait(24 * 60)])).toBeCloseTo(outsideAfter(THIN, []), 6);
  });

  it('a second dip at once adds only what clings, half dry more, dry most; never as much as the first', () => {
    const after = [0, 10, 20, 60, 600].map((minutes) => outsideAfter(THICK, [dip(['outside']), wait(minutes)]));
    const film = (0.15 * ((1.46 - 1) / 1.6)) / 0.5;
    expect(after[0]).toBeCloseTo(film, 6);
    after.slice(1).forEach((mm, index) => expect(mm).toBeGreaterThan(after[index]!));
    expect(after.at(-1)!).toBeLessThan(outsideAfter(THICK, []));
  });

  it('a soaked foot takes the film alone, a rinsed piece less than a dry one, a damp wipe hardly less', () => {
    const dry = outsideAfter(THICK, []);
    expect(outsideAfter(THICK, [{ kind: 'wetted', share: 1 }])).toBeLessThan(0.1);
    const rinsed = outsideAfter(THICK, [{ kind: 'wetted', share: 0.25 }]);
    expect(rinsed).toBeLessThan(dry);
    expect(outsideAfter(THICK, [{ kind: 'wiped' }])).toBeCloseTo(dry, 2);
    expect(outsideAfter(THIN, [{ kind: 'wiped' }])).toBeLessThanOrEqual(dry);
  });

  it('two clocks: thirst is back within the hour, room only as the air takes the water', () => {
    const full = wallAfter(THIN, [{ kind: 'wetted', share: 0.8 }]);
    const later = waited(full, THIRST_BACK_MINUTES);
    expect(1 - later.outside.thirst).toBeCloseTo(0.8 / Math.E, 6);
    // 0.06 mm an hour from each of two faces.
    expect(full.takenMm - later.takenMm).toBeCloseTo((2 * 0.06 * THIRST_BACK_MINUTES) / 60, 9);
    expect(full.takenMm - waited(full, 60, 'draught').takenMm).toBeCloseTo(Math.min(full.takenMm, 0.36), 9);
    expect(full.takenMm - waited(full, 60, 'damp').takenMm).toBeCloseTo(0.06, 9);
  });

  it('a wall that came out full dries five times slower', () => {
    const full = wallAfter(THIN, [dip(['inside', 'outside'], 60)]);
    expect(wallUsed(full)).toBeCloseTo(1, 6);
    expect(waited(full, THIRST_BACK_MINUTES).outside.thirst).toBeCloseTo(1 - Math.exp(-1 / 5), 6);
  });

  it('never holds more than it can, never less than nothing, whatever is done to it', () => {
    const treatment = fc.oneof(
      fc.constant<PieceTreatment>({ kind: 'wiped' }),
      fc.double({ min: 0, max: 1, noNaN: true }).map((share): PieceTreatment => ({ kind: 'wetted', share })),
      fc
        .tuple(fc.constantFrom<Face[]>(['inside'], ['outside'], ['inside', 'outside']), fc.double({ min: 0, max: 60, noNaN: true }))
        .map(([faces, s]) => dip(faces, s)),
      fc
        .tuple(fc.double({ min: 0, max: 3000, noNaN: true }), fc.constantFrom('damp' as const, 'usual' as const, 'draught' as const))
        .map(([m, air]) => wait(m, air)),
    );
    fc.assert(
      fc.property(fc.array(treatment, { maxLength: 12 }), fc.double({ min: 1.5, max: 12, noNaN: true }), (treatments, wallMm) => {
        const state = wallAfter({ bisqueCone: '05', wallMm }, treatments);
        expect(state.takenMm).toBeGreaterThanOrEqual(0);
        expect(state.takenMm).toBeLessThanOrEqual(state.capacityMm + 1e-12);
        for (const face of [state.inside, state.outside]) {
          expect(face.thirst).toBeGreaterThanOrEqual(0);
          expect(face.thirst).toBeLessThanOrEqual(1);
          expect(face.coatMm).toBeGreaterThanOrEqual(0);
        }
      }),
      { numRuns: 100 },
    );
  });

  it('what cannot be is refused in a sentence', () => {
    expect(() => wallAfter(THIN, [wait(-1)])).toThrow('The wait cannot be less than 0');
    expect(() => wallAfter(THIN, [{ kind: 'wetted', share: 1.2 }])).toThrow('How wet it is is a share from 0 to 1');
  });
});

describe('how long to wait for a coat', () => {
  const question = { faces: ['outside'] as const, coatMm: 0.5, glaze: GLAZE, wall: THIN };

  it('not at all on a dry wall', () => {
    expect(waitForCoat({ ...question, state: dryWall(THIN) }).kind).toBe('now');
  });

  it('until the wall has room again, to the minute', () => {
    const state = wallAfter(THIN, [dip(['inside'], 20)]);
    const answer = waitForCoat({ ...question, state });
    if (answer.kind !== 'wait') throw new Error(answer.kind);
    const at = (minutes: number) => waitForCoat({ ...question, state: waited(state, minutes) }).kind;
    expect(at(answer.minutes)).toBe('now');
    expect(at(answer.minutes - 2)).toBe('wait');
    // Less in a draught, more in a damp room.
    const inAir = (air: 'damp' | 'draught') => (waitForCoat({ ...question, state, air }) as { minutes: number }).minutes;
    expect(inAir('draught')).toBeLessThan(answer.minutes);
    expect(inAir('damp')).toBeGreaterThan(answer.minutes);
  });

  it('for ever, when not even the dry wall gives it', () => {
    expect(waitForCoat({ ...question, state: dryWall(THIN), coatMm: 3 })).toMatchObject({ kind: 'never', because: { kind: 'wallSaturated' } });
  });
});
