import { acceptsItself, EMPTY_PAN, panAfter, panForLine, tarePan, type Pan } from '../../src/index';

const DIVISION = 0.1;
const tared = (): Pan => panForLine(tarePan('', 150), 'kaolin', 150);

describe('the pan on the scale', () => {
  it('is what T finds, and the first line begins there', () => {
    expect(tared()).toMatchObject({ panGrams: 150, zeroGrams: 150, lifted: false });
  });

  it('can hold one line after the other: the next begins where the last one ended', () => {
    expect(panForLine(tared(), 'silica', 450.1)).toMatchObject({ lineKey: 'silica', zeroGrams: 450.1 });
  });

  it('emptied into the bucket and put back, lets the line begin at its own weight again', () => {
    const pan = panForLine(tared(), 'silica', 450.1);
    expect(panAfter(pan, 150.2, DIVISION)).toMatchObject({ zeroGrams: 150.2, lifted: false });
  });

  it('lifted off is no weight: nothing is accepted until it is back', () => {
    const lifted = panAfter(tared(), 0, DIVISION);
    expect(lifted.lifted).toBe(true);
    // A pan that weighs as much as the line wants would otherwise be taken as the powder.
    expect(acceptsItself({ pan: lifted, settledGrams: 300, targetGrams: 150, divisionGrams: DIVISION })).toBe(false);
    expect(panAfter(lifted, 150, DIVISION).lifted).toBe(false);
  });

  it('with powder running into it keeps its zero', () => {
    expect(panAfter(tared(), 260, DIVISION)).toEqual(tared());
  });

  it('goes back with a weight that is taken back', () => {
    const next = panForLine(tared(), 'silica', 450.1);
    expect(panForLine(next, 'kaolin', 450.1)).toMatchObject({ lineKey: 'kaolin', zeroGrams: 150 });
  });

  it.each([
    ['at the target', 450, true],
    ['within half a percent', 451.4, true],
    ['short', 440, false],
    ['over', 460, false],
    ['empty', 150, false],
  ])('accepts itself %s: %s', (_name, settledGrams, accepted) => {
    expect(acceptsItself({ pan: tared(), settledGrams, targetGrams: 300, divisionGrams: DIVISION })).toBe(accepted);
  });

  it('unknown weighs nothing', () => {
    expect(EMPTY_PAN).toMatchObject({ panGrams: 0, zeroGrams: 0 });
  });
});
