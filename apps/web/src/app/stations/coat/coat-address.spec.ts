import type { BucketSummary, ClayBody, CoatWindowDocument } from '@cazuela/contract';
import { ago, bucket, CLAY, id, POWDERS, summaryOf } from '../../../testing/made-up';
import { FakeRecords } from '../../../testing/records';
import { Screen } from '../../../testing/screen';
import { CoatStation } from './coat-station';

describe('what the address of the coat station says', () => {
  const thin = { ...bucket(), recipeId: null };
  const thick = { ...bucket({ sg: 1.55, code: 'B2', body: { ...bucket().body, name: 'Marisma' } }), recipeId: null };
  const open = async (
    inputs: Record<string, unknown>,
    known: { bodies?: ClayBody[]; windows?: CoatWindowDocument[] } = {},
  ): Promise<Screen<CoatStation>> => {
    const records = new FakeRecords();
    records.openStudio();
    const screen = await Screen.open(CoatStation, inputs);
    records.answer(
      '/buckets',
      [thin, thick].map((one): BucketSummary => summaryOf(one)),
    );
    records.answer('/bodies', known.bodies ?? [CLAY]);
    records.answer('/powders', POWDERS);
    records.answer('/coats', []);
    records.answer('/windows', known.windows ?? []);
    await screen.settle();
    return screen;
  };

  it('a window: its glaze, its clay and its panel', async () => {
    const other = { ...CLAY, id: id(), name: 'Tostado' };
    const window = { thinMm: 0.4, thickMm: 0.6, looks: { thin: '', right: 'silk', thick: '' } };
    const sent: CoatWindowDocument = {
      id: id(),
      version: 1,
      glazeId: thick.id,
      bodyId: other.id,
      changes: [{ at: ago(60), by: 'Inés', reason: '', window }],
    };
    const screen = await open({ window: sent.id }, { bodies: [CLAY, other], windows: [sent] });
    expect(screen.text).toContain('the bucket: 1.550');
    expect(screen.text).toContain('Tostado');
    expect(screen.field('Too thick above').value).toBe('0.6');
  });

  it('a window that was deleted opens the station as it was left', async () => {
    expect((await open({ window: id() })).has('Keep the window')).toBe(false);
  });

  it('a panel; one that it does not know opens as it was left', async () => {
    expect((await open({ panel: 'tile' })).has('Make this tile')).toBe(true);
    expect((await open({ panel: 'nonsense' })).text).toContain('Measured dips');
  });
});
