import { RECIPE, POWDERS, SILICA, KAOLIN, id } from '../../../../testing/made-up';
import { FakeRecords } from '../../../../testing/records';
import { Screen } from '../../../../testing/screen';
import { OxidesPage } from './oxides-page';

const clay = (name: string, expansion?: number) => ({
  id: id(),
  version: 1,
  name,
  colour: '#E4D8C2',
  bisqueCone: '05',
  earthenware: false,
  ...(expansion === undefined ? {} : { expansion }),
});

describe('the oxides of a recipe', () => {
  const open = async (bodies: unknown[], powders: unknown[] = POWDERS, lines = RECIPE.body.lines): Promise<Screen<OxidesPage>> => {
    const records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(OxidesPage, { id: RECIPE.id });
    records.answer(`/recipes/${RECIPE.id}`, { ...RECIPE, body: { ...RECIPE.body, lines } });
    records.answer('/powders', powders);
    records.answer('/bodies', bodies);
    await screen.settle();
    return screen;
  };

  it('how much it expands, and how it fits each clay whose expansion is known', async () => {
    const screen = await open([clay('Red', 3), clay('White', 6.7), clay('Pale', 12), clay('Unknown')]);
    expect(screen.text).toMatch(/Expands by 6\.4 · 10⁻⁶\/°C, were it all glass/);
    expect(screen.text).toContain('On Red (clay less glaze −');
    expect(screen.text).toMatch(/On Red .*it may craze/);
    expect(screen.text).toMatch(/On White .*?\+0\.3\): pressed together a little: it should hold/);
    expect(screen.text).toMatch(/On Pale .*it may shiver and shed sharp flakes/);
    expect(screen.text).not.toContain('On Unknown');
    expect(screen.text).toContain('boiling and freezing water is the answer');
  });

  it('where no clay is measured: says where it would stand', async () => {
    expect((await open([clay('White')])).text).toContain('Of no clay the expansion is known. It stands on the card of the clay');
  });

  it('a powder without an analysis: no figure, for it would be wrong', async () => {
    const screen = await open([clay('White', 6)], [{ ...SILICA, oxides: {} }, KAOLIN, ...POWDERS.slice(2)]);
    expect(screen.text).toContain('No analysis is known of Silica');
    expect(screen.text).not.toContain('Expands by');
  });

  it('no usual glass: says so, and fits nothing', async () => {
    const chalk = { ...SILICA, oxides: { CaO: 90, SiO2: 10 } };
    const screen = await open([clay('White', 6)], [chalk, KAOLIN, ...POWDERS.slice(2)]);
    expect(screen.text).toContain('How much it expands cannot be told');
    expect(screen.text).not.toContain('On White');
  });
});
