import { layersOf } from '../../plan/piece-plan';
import type { PieceQuestion } from '../outside-run';
import type { Warning } from '../warnings';
import type { GlazeFacts } from '../../plan/facts';

const DUST: Warning = {
  rule: 'H1',
  severity: 'look',
  what: 'Dry glaze is silica dust.',
  why: 'Rubbing, scraping or brushing a dry coat puts it into the air.',
  remedies: ['Wipe wet, never dry; respirator when you must scrape', 'Read the data sheets of the powders'],
};

/** H1: at every piece with glaze on it. */
export const dust = ({ plan }: PieceQuestion): Warning[] => (layersOf(plan).length > 0 ? [DUST] : []);

/** Percent of the fired glaze from which a colouring oxide alone asks for a leach test (H4). */
const LINER_LIMITS: readonly { oxide: string; percent: number }[] = [
  { oxide: 'CuO', percent: 2 },
  { oxide: 'MnO', percent: 2 },
  { oxide: 'CoO', percent: 1.5 },
  { oxide: 'BaO', percent: 0.001 },
  { oxide: 'Cr2O3', percent: 0.001 },
  { oxide: 'NiO', percent: 0.001 },
];

/** H4: what is eaten from. */
export function liner({ plan, glazes }: PieceQuestion): Warning[] {
  const top = plan.zones.inside.at(-1);
  const glaze = top && glazes.find((facts) => facts.bucketId === top.bucketId);
  if (!glaze) return [];
  const reasons = linerReasons(glaze);
  if (reasons.length === 0 && glaze.foodTested) return [];
  const serious = reasons.length > 0;
  return [
    {
      rule: 'H4',
      severity: serious ? 'stop' : 'look',
      what: `${glaze.name} inside: not for food until a laboratory has leach-tested it.`,
      why: serious ? reasons.join(' ') : 'Nobody here has had it tested. Looking balanced is not a test.',
      remedies: ['Leach test by a laboratory, and your local rules', 'A tested liner inside', 'Sell it as not for food'],
    },
  ];
}

function linerReasons(glaze: GlazeFacts): string[] {
  const reasons: string[] = [];
  if (['matt', 'crystalline', 'crazed'].includes(glaze.surface)) reasons.push(`Its surface is ${glaze.surface}.`);
  for (const { oxide, percent } of LINER_LIMITS) {
    if ((glaze.firedPercent[oxide] ?? 0) >= percent) reasons.push(`It holds ${glaze.firedPercent[oxide]!.toFixed(1)} % ${oxide}.`);
  }
  const { SiO2, Al2O3 } = glaze.unity;
  if (SiO2 !== undefined && SiO2 < 2.5) reasons.push('It is low in silica.');
  if (Al2O3 !== undefined && Al2O3 < 0.25) reasons.push('It is low in alumina.');
  return reasons;
}
