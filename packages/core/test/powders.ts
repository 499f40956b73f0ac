import type { Powder, RecipeLine } from '../src/index';

const powder = (id: string, change: Partial<Powder>): Powder => ({
  id,
  name: id,
  role: 'flux',
  densityGMl: 2.6,
  rawClay: 0,
  shrinkWeight: 0,
  oxides: { SiO2: 100 },
  loiPercent: 0,
  hazards: [],
  ...change,
});

/** A few powders as the table has them, under short ids. */
export const KAOLIN = powder('kaolin', {
  name: 'Kaolin',
  role: 'clay',
  rawClay: 1,
  shrinkWeight: 1,
  loiPercent: 13.9,
  oxides: { SiO2: 46.3, Al2O3: 38, K2O: 0.3 },
  hazards: ['silica dust'],
});
export const BALL_CLAY = powder('ballClay', {
  name: 'Ball clay',
  role: 'clay',
  rawClay: 1,
  shrinkWeight: 1.5,
  oxides: { SiO2: 54.5, Al2O3: 28.5, K2O: 1.6 },
});
export const SILICA = powder('silica', { name: 'Silica', role: 'glass former', densityGMl: 2.65, hazards: ['silica dust'] });
export const WHITING = powder('whiting', { name: 'Whiting', densityGMl: 2.71, loiPercent: 44, oxides: { CaO: 56 } });
export const FRIT = powder('frit', { name: 'Frit calcium-boron', oxides: { SiO2: 47, B2O3: 23, Na2O: 10, CaO: 20 } });
export const ASH = powder('ash', {
  name: 'Wood ash (washed)',
  densityGMl: 2.7,
  oxides: { SiO2: 19.8, CaO: 32.4, K2O: 4.5 },
  hazards: ['caustic when wet: gloves and eye protection'],
});
export const BENTONITE = powder('bentonite', { name: 'Bentonite', role: 'suspender', densityGMl: 2.5, rawClay: 5, shrinkWeight: 6 });
export const COPPER = powder('copper', {
  name: 'Copper carbonate',
  role: 'colourant',
  densityGMl: 3.9,
  oxides: { CuO: 71.9 },
  hazards: ['harmful if swallowed'],
});
export const STAIN = powder('stain', { name: 'Stain (zircon type)', role: 'colourant', densityGMl: 4.5, oxides: { ZrO2: 62, SiO2: 33 } });
export const POWDERS = [KAOLIN, BALL_CLAY, SILICA, WHITING, FRIT, ASH, BENTONITE, COPPER, STAIN];

export const base = (powderId: string, percent: number): RecipeLine => ({ id: `line-${powderId}`, powderId, part: 'base', percent });
export const addition = (powderId: string, percent: number): RecipeLine => ({ id: `line-${powderId}`, powderId, part: 'addition', percent });
