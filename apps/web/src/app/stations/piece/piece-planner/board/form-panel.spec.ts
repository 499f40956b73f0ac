import { TestBed } from '@angular/core/testing';
import { formOf, shapeOf } from '@cazuela/core';
import { piece } from '../../../../../testing/made-up';
import { FakeRecords } from '../../../../../testing/records';
import { Screen } from '../../../../../testing/screen';
import { FormPanel } from './form-panel';
import { PieceDraft } from '../draft/piece-draft';

const IRON = { id: 'iron', bucketId: 'iron', method: 'dip' as const, coatMm: 0.4 };

describe('a form by numbers', () => {
  let draft: PieceDraft;
  const open = async (): Promise<Screen<FormPanel>> => {
    new FakeRecords([PieceDraft]).openStudio();
    draft = TestBed.inject(PieceDraft);
    draft.open(piece({ shapeId: 'mug', zones: { inside: [], outside: [IRON], rim: [], foot: [] }, waxFootMm: 10 }));
    const plan = draft.body()!.plan;
    return Screen.open(FormPanel, { plan, shape: shapeOf(plan), chosen: 'point 2' });
  };
  const form = () => formOf(draft.body()!.plan);

  it('stretched, it keeps its line, and its handle goes with it', async () => {
    const screen = await open();
    await screen.type('Height', '196');
    expect(form().points.map((point) => point.heightMm)).toEqual([0, 10, 50, 120, 170, 196]);
    expect(form().grip).toMatchObject({ upperMm: 164, lowerMm: 52, outMm: 34 });
  });

  it('what cannot be made is refused in words and changes nothing', async () => {
    const screen = await open();
    await screen.type('Wall', '39');
    expect(draft.refused()).toContain('nothing is left inside');
    expect(form().wallMm).toBe(4);
    await screen.type('Wall', '6');
    expect(draft.refused()).toBeUndefined();
    expect(form().wallMm).toBe(6);
  });

  it('the point at hand is moved, doubled, cornered and taken away', async () => {
    const screen = await open();
    await screen.type('Across there', '100');
    expect(form().points[2]!.radiusMm).toBe(50);
    await screen.press('One more after it');
    expect(form().points).toHaveLength(7);
    screen.fixture.componentRef.setInput('plan', draft.body()!.plan);
    await screen.settle();
    await screen.press('Take it away');
    expect(form().points).toHaveLength(6);
  });

  it('a drag is one step back, however many moves it had', async () => {
    await open();
    const before = draft.body();
    for (const waxFootMm of [11, 12, 13]) draft.drag({ waxFootMm });
    expect(draft.settledBody()).toBe(before);
    draft.drop();
    expect(draft.settledBody()).toBe(draft.body());
    expect(draft.body()!.plan.waxFootMm).toBe(13);
    draft.undo();
    expect(draft.body()).toBe(before);
    draft.redo();
    expect(draft.body()!.plan.waxFootMm).toBe(13);
    expect(draft.canRedo()).toBe(false);
  });

  it('dragged where it cannot be, it stays where it last could', async () => {
    await open();
    draft.drag({ waxFootMm: 30 });
    draft.drag({ waxFootMm: 400 });
    expect(draft.refused()).toContain('no height is left for the outside');
    draft.drop();
    expect(draft.body()!.plan.waxFootMm).toBe(30);
  });

  it('the recipe version of a bucket is kept with the first coat of it, and stays when the bucket holds another', async () => {
    await open();
    let number = 2;
    draft.versionOf = (bucketId) => (bucketId === 'new' ? { recipeVersionId: `v${number}`, number } : undefined);
    draft.addLayer('inside', 'new');
    expect(draft.body()!.plan.versions).toEqual([{ bucketId: 'new', recipeVersionId: 'v2', number: 2 }]);
    number = 3;
    draft.plan({ waxFootMm: 12 });
    expect(draft.body()!.plan.versions![0]!.number).toBe(2);
    draft.removeLayer('inside', draft.body()!.plan.zones.inside[0]!.id);
    expect(draft.body()!.plan.versions).toBeUndefined();
  });
});
