import type { ClayBody } from '@cazuela/contract';
import { CLAY } from '../../../../testing/made-up';
import { FakeRecords } from '../../../../testing/records';
import { Screen } from '../../../../testing/screen';
import { BodyPage } from './body-page';

describe('the card of a clay body', () => {
  let records: FakeRecords;
  const open = async (body: ClayBody = CLAY, id = CLAY.id): Promise<Screen<BodyPage>> => {
    records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(BodyPage, { id });
    records.answer('/bodies', [body]);
    await screen.settle();
    return screen;
  };

  it('says what is reckoned with where nothing was measured', async () => {
    const { text } = await open();
    expect(text).toContain('Starting guesses at cone 05: drinks 12.0 %, suction 0.049 mm²/s.');
    expect(text).toContain('None yet: the body’s usual cone is reckoned with.');
  });

  it('takes figures, and an emptied one is not known again', async () => {
    const screen = await open();
    await screen.type('Shrinkage, wet to fired', '12.2');
    await screen.type('Usual wall', '6');
    await screen.type('Usual wall', '');
    await screen.check('Grog, sand or coarse grains in it');
    await screen.press('Keep the card');
    expect(records.http.expectOne((one) => one.method === 'PUT').request.body).toEqual({
      version: 1,
      body: { name: 'Barro Claro', colour: '#E4D8C2', bisqueCone: '05', earthenware: false, shrinkagePercent: 12.2, groggy: true },
    });
  });

  it('the thirst test: three weights in water give suction and absorption to the lot', async () => {
    const screen = await open();
    await screen.press('A bisque lot');
    await screen.press('Thirst test in water');
    await screen.type('One face of the tile', '40');
    await screen.type('Weight dry', '45.6');
    await screen.press('Now the water');
    await screen.type('Weight after the water', '45');
    await screen.press('Now it soaks');
    // The tile soaks until tomorrow: the test waits, and goes on where it was.
    await screen.press('Leave it for now');
    await screen.press('Go on with the thirst test');
    expect(screen.field('Weight dry').value).toBe('45.6');
    await screen.type('Weight soaked', '51.1');
    expect(screen.text).toContain('After the water it must weigh more than dry.');
    expect(screen.button('Take it to the lot').disabled).toBe(true);
    await screen.type('Weight after the water', '49.6');
    expect(screen.text).toContain('It drinks 12.1 %; suction 0.042 mm²/s');
    await screen.press('Take it to the lot');
    expect(screen.text).toContain('less thirsty than cone 05 usually is');
    await screen.press('Keep the card');
    const { body } = records.http.expectOne((one) => one.method === 'PUT').request.body as { body: ClayBody };
    expect(body.lots).toMatchObject([{ bisqueCone: '05', thirst: { dryGrams: 45.6, afterGrams: 49.6, soakedGrams: 51.1, seconds: 3, faces: 2 } }]);
  });

  it('changed meanwhile, both are shown; mine can be kept as the newest', async () => {
    const screen = await open();
    await screen.type('Name', 'Barro Fino');
    await screen.press('Keep the card');
    records.refuse(`/bodies/${CLAY.id}`, 409, { code: 'stale', current: { ...CLAY, version: 4, shrinkagePercent: 11 } }, 'PUT');
    await screen.settle();
    expect(screen.text).toContain('bisque cone 05, shrinks 11.0 %, 0 bisque lots');
    await screen.press('Keep mine, as the newest version');
    expect(records.http.expectOne((one) => one.method === 'PUT').request.body).toMatchObject({ version: 4, body: { name: 'Barro Fino' } });
  });

  it('a card without a name cannot be kept, one that is not there is said', async () => {
    const screen = await open();
    await screen.type('Name', ' ');
    expect(screen.text).toContain('Give it a name.');
    await screen.press('Keep the card');
    records.http.expectNone((one) => one.method === 'PUT');
    expect((await open(CLAY, 'another')).text).toContain('There is no such clay body.');
  });
});
