import { TestBed } from '@angular/core/testing';
import type { Studio, StudioBody } from '@cazuela/contract';
import { CLAY } from '../../../testing/made-up';
import { FakeRecords, STUDIO } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { UnsavedInput } from '../../ui/forms/unsaved-input';
import { StudioPage } from './studio-page';

describe('the studio’s page', () => {
  let records: FakeRecords;
  const open = async (change: Partial<Studio> = {}): Promise<Screen<StudioPage>> => {
    records = new FakeRecords();
    records.openStudio(change);
    const screen = await Screen.open(StudioPage);
    records.answer('/bodies', [CLAY]);
    await screen.settle();
    return screen;
  };
  const put = (): StudioBody & { version: number } =>
    records.http.expectOne((one) => one.method === 'PUT').request.body as StudioBody & { version: number };

  it('members, scale and vessels are kept together with their version', async () => {
    const screen = await open();
    expect(screen.has('Keep')).toBe(false);
    await screen.type('Members, with commas', 'Inés, Bruno, Maia');
    await screen.press('Change or check Bench scale');
    await screen.type('It shows steps of', '0.5');
    await screen.press('A vessel');
    await screen.press('Keep');
    const sent = put();
    expect(sent).toMatchObject({ version: 1, members: ['Inés', 'Bruno', 'Maia'], scales: [{ divisionGrams: 0.5 }] });
    expect(sent.vessels).toHaveLength(2);
  });

  it('a vessel filled with water to its mark gets its true volume, whatever is printed on it', async () => {
    const screen = await open();
    await screen.press('Change or check Cylinder 100 mL');
    await screen.type('Full of water', '161.2');
    await screen.press('Keep');
    expect(put().vessels[0]).toMatchObject({ tareGrams: 62.4, volumeMl: 98.8 });
  });

  it('a second scale is added, and one is checked against a known weight and kept at once', async () => {
    const screen = await open();
    await screen.press('Change or check Bench scale');
    await screen.type('The scale shows', '500.3');
    await screen.press('A scale');
    await screen.press('Note it');
    const sent = put();
    expect(sent.scales).toHaveLength(2);
    expect(sent.scales[0]!.checks).toMatchObject([{ by: 'Inés', knownGrams: 500, shownGrams: 500.3 }]);
  });

  it.each([
    [0.1, 500.4, '+ 0.4 g when last checked'],
    [0.01, 499.96, '− 0.04 g when last checked'],
    [0.1, 503, 'off by + 3.0 g: battery or calibration'],
  ])('a scale in steps of %s g that showed %s for 500 g: %s', async (divisionGrams, shownGrams, verdict) => {
    const checks = [{ at: '2026-03-01T10:00:00.000Z', by: 'Inés', knownGrams: 500, shownGrams }];
    const screen = await open({ scales: [{ ...STUDIO.scales[0]!, divisionGrams, checks }] });
    expect(screen.text).toContain(verdict);
  });

  it('the last scale cannot be taken out', async () => {
    const screen = await open();
    await screen.press('Change or check Bench scale');
    expect(screen.has('Take out Bench scale')).toBe(false);
  });

  it('a vessel can be taken out again', async () => {
    const screen = await open();
    await screen.press('Change or check Cylinder 100 mL');
    await screen.press('Take out Cylinder 100 mL');
    await screen.press('Keep');
    expect(put().vessels).toEqual([]);
  });

  it('when somebody else changed it, both are kept and mine is sent over the newest', async () => {
    const screen = await open();
    await screen.type('Name of the studio', 'La Perdiz');
    await screen.press('Keep');
    records.http
      .expectOne((one) => one.method === 'PUT')
      .flush(
        { type: 'x', title: 'x', status: 409, code: 'stale', detail: 'Changed meanwhile.', current: { ...STUDIO, version: 6 } },
        { status: 409, statusText: 'No' },
      );
    await screen.settle();
    await screen.press('Look at both, then keep again');
    expect(screen.field('Name of the studio').value).toBe('La Perdiz');
    await screen.press('Keep');
    expect(put()).toMatchObject({ version: 6, name: 'La Perdiz' });
  });

  it('a clay body says whether its absorption was measured', async () => {
    const screen = await open();
    expect(screen.text).toContain('Barro Claro bisque cone 05 absorption: starting guess from its cone');
    await screen.type('Name of the body', 'Barro Tostado');
    await screen.type('Absorption, if measured', '11.5');
    await screen.press('Add the body');
    expect(records.http.expectOne((one) => one.method === 'POST').request.body).toMatchObject({
      name: 'Barro Tostado',
      bisqueCone: '06',
      absorptionPercent: 11.5,
    });
  });

  it('what is wrong stands under its field, and nothing is sent', async () => {
    const screen = await open();
    await screen.type('Prices are in', '');
    await screen.press('Add the body');
    expect(screen.text).toContain('Give it a name.');
    await screen.press('Keep');
    expect(screen.text).toContain('Write a currency, like € or EUR.');
    records.http.verify();
  });

  it('what the server refuses stands under the field it is about', async () => {
    const screen = await open();
    await screen.type('Name of the body', 'Barro');
    await screen.press('Add the body');
    const errors = [{ path: 'name', message: 'There is a body of this name already.' }];
    records.refuse('/bodies', 400, { errors }, 'POST');
    await screen.settle();
    expect(screen.text).toContain('Name of the body There is a body of this name already.');
    expect(screen.field('Name of the body').getAttribute('aria-invalid')).toBe('true');
    await screen.type('Name of the body', 'Barro Fino');
    expect(screen.text).not.toContain('already');
  });

  it('leaving with something typed asks first', async () => {
    const screen = await open();
    const unsaved = TestBed.inject(UnsavedInput);
    expect(unsaved.isThere()).toBe(false);
    await screen.type('Name of the studio', 'La Perdiz');
    expect(unsaved.isThere()).toBe(true);
    screen.fixture.destroy();
    expect(unsaved.isThere()).toBe(false);
  });
});
