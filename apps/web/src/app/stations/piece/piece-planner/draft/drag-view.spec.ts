import { afterEveryRender } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { By } from '@angular/platform-browser';
import { formOf } from '@cazuela/core';
import { bucket, CLAY, id, piece, POWDERS, RECIPE, summaryOf } from '../../../../../testing/made-up';
import { FakeRecords } from '../../../../../testing/records';
import { Screen } from '../../../../../testing/screen';
import { PieceBoard } from '../board/piece-board';
import { PieceDraft } from './piece-draft';
import { PiecePlanner } from '../piece-planner';

const WHITE = bucket();
const coat = { id: id(), bucketId: WHITE.id, method: 'dip' as const, coatMm: 0.4 };
const picture = (): Promise<unknown> => new Promise((drawn) => requestAnimationFrame(() => setTimeout(drawn)));

describe('under a dragging hand', () => {
  let screen: Screen<PiecePlanner>;
  let draft: PieceDraft;

  beforeEach(async () => {
    const records = new FakeRecords();
    records.openStudio();
    const cup = piece({ zones: { inside: [], outside: [coat], rim: [], foot: [] } });
    screen = await Screen.open(PiecePlanner, { id: cup.id });
    records.answer(`/pieces/${cup.id}`, cup);
    records.answer('/bodies', [CLAY]);
    records.answer('/buckets', [summaryOf(WHITE)]);
    records.answer('/recipes', [RECIPE]);
    records.answer('/powders', POWDERS);
    records.answer('/coats', []);
    records.answer('/runner-tiles', []);
    await screen.settle();
    draft = screen.fixture.debugElement.injector.get(PieceDraft);
  });

  const words = (selector: string): string => screen.all(selector)[0]!.textContent!.trim();
  const size = (): string => words('cz-piece-headline .live');
  const outsideArea = (): string => words('cz-piece-sums .live');
  const outline = (): string => screen.all('cz-piece-board .outline')[0]!.getAttribute('points')!;
  const bareFoot = (): string => screen.all('cz-piece-board [role="slider"]')[0]!.getAttribute('aria-valuetext')!;
  /** The belly is moved out by so much. */
  const pull = (mm: number): void => {
    const { points } = formOf(draft.body()!.plan);
    draft.form({ points: points.map((point, at) => (at === 2 ? { ...point, radiusMm: point.radiusMm + mm } : point)) }, 'drag');
  };

  it('drawing, size and what each place takes follow every move', async () => {
    const before = [size(), outsideArea(), outline()];
    pull(3);
    await picture();
    const pulled = [size(), outsideArea(), outline()];
    pulled.forEach((told, at) => expect(told).not.toBe(before[at]));
    pull(3);
    await picture();
    expect(size()).not.toBe(pulled[0]);
  });

  it('the edge of a zone and how high it is told move with the hand', async () => {
    expect(bareFoot()).toBe('10 mm up');
    draft.drag({ waxFootMm: 14 });
    await picture();
    expect(bareFoot()).toBe('14 mm up');
  });

  it('what is held is told beside the shelf, and goes with it', async () => {
    const held = screen.all('cz-piece-board [role="slider"]')[0]!;
    const told = (): string => words('cz-piece-board .told');
    expect(told()).toBe('');
    screen.fixture.debugElement.query(By.directive(PieceBoard)).componentInstance.chosenChange.emit('wax');
    await screen.settle();
    expect(told()).toBe(held.getAttribute('aria-valuetext'));
    draft.drag({ waxFootMm: 21 });
    await picture();
    expect(told()).toBe('21 mm up');
  });

  it('nothing else of the page is asked for it, until the hand rests', async () => {
    let asked = 0;
    TestBed.runInInjectionContext(() => afterEveryRender(() => (asked += 1)));
    await screen.settle();
    jest.useFakeTimers();
    try {
      asked = 0;
      const before = size();
      pull(1);
      jest.advanceTimersByTime(20);
      expect(size()).not.toBe(before);
      expect(asked).toBe(0);
      jest.advanceTimersByTime(200);
      expect(asked).toBeGreaterThan(0);
    } finally {
      jest.useRealTimers();
    }
  });

  it('let go before it was drawn, it stands where the hand left it', async () => {
    pull(4);
    draft.drop();
    await screen.settle();
    const left = [size(), outsideArea(), outline()];
    await picture();
    expect([size(), outsideArea(), outline()]).toEqual(left);
  });

  it('taken back and drawn anew, it is told as it was', async () => {
    const before = [size(), outsideArea(), outline()];
    pull(4);
    await picture();
    draft.drop();
    await screen.settle();
    draft.undo();
    await screen.settle();
    expect([size(), outsideArea(), outline()]).toEqual(before);
  });

  it('where it cannot go, all stands where it last could', async () => {
    pull(2);
    await picture();
    const could = [size(), outline()];
    pull(-400);
    await picture();
    expect([size(), outline()]).toEqual(could);
    await screen.settle();
    expect(screen.all('.refused')[0]!.textContent).not.toBe('');
  });
});
