import type { RecipeBody } from '@cazuela/contract';

type Share = [powder: string, percent: number];

/** A demo glaze as text; ids are added when it is loaded. All are our own inventions for cone 6 oxidation. */
export interface DemoRecipe {
  base: Share[];
  additions: Share[];
  stains?: Share[];
  body: Omit<RecipeBody, 'lines' | 'coneLow' | 'coneHigh' | 'atmosphere'>;
}

const range = (sgLow: number, sgHigh: number): { sgLow: number; sgHigh: number } => ({ sgLow, sgHigh });

/** Powders the studio added to the generic table: what it buys ready ground, without an analysis. */
export const OWN_POWDERS = [
  {
    name: 'Clear base, bought',
    role: 'base',
    densityGMl: 2.58,
    rawClay: 0.12,
    shrinkWeight: 0.14,
    loiPercent: 7,
    sieveMesh: 80,
    oxides: {},
    hazards: ['silica dust'],
  },
  { name: 'Agua Quieta, jar glaze', role: 'base', densityGMl: 2.6, rawClay: 0.1, shrinkWeight: 0.12, loiPercent: 9, oxides: {}, hazards: [] },
];

export const DEMO_RECIPES: readonly DemoRecipe[] = [
  {
    base: [
      ['Silica', 27],
      ['Kaolin', 20],
      ['Frit alumina-boron', 22],
      ['Potash feldspar', 16],
      ['Whiting', 9],
      ['Talc', 6],
    ],
    additions: [['Zirconium silicate', 8]],
    body: {
      name: 'Leche de Higo',
      surface: 'gloss',
      colour: '#ECE2CC',
      ...range(1.43, 1.47),
      movement: 'stays',
      foodTested: true,
      notes: 'White liner. Leach-tested in May; the report is in the folder.',
    },
  },
  {
    base: [
      ['Nepheline syenite', 32],
      ['Silica', 22],
      ['Kaolin', 14],
      ['Whiting', 14],
      ['Frit calcium-boron', 8],
      ['Talc', 6],
      ['Zinc oxide', 4],
    ],
    additions: [
      ['Copper carbonate', 2.5],
      ['Titanium dioxide', 4],
      ['Bentonite', 1],
    ],
    body: {
      name: 'Marisma',
      surface: 'satin',
      colour: '#7FA08C',
      ...range(1.44, 1.47),
      movement: 'moves',
      foodTested: false,
      notes: 'Thin it is grey and dry, right it is sea-green, thick it breaks to blue and runs.',
    },
  },
  {
    base: [
      ['Frit alumina-boron', 28],
      ['Silica', 28],
      ['Kaolin', 17],
      ['Potash feldspar', 15],
      ['Whiting', 12],
    ],
    additions: [
      ['Cobalt carbonate', 1.5],
      ['Red iron oxide', 3],
    ],
    body: {
      name: 'Noche Honda',
      surface: 'gloss',
      colour: '#25305C',
      ...range(1.43, 1.47),
      movement: 'moves',
      foodTested: false,
      notes: 'Base for the blues; stain it further for the platters.',
    },
  },
  {
    base: [
      ['Wood ash (washed)', 44],
      ['Potash feldspar', 30],
      ['Silica', 16],
      ['Whiting', 6],
      ['Kaolin', 4],
    ],
    additions: [['Tin oxide', 2]],
    body: {
      name: 'Ceniza Clara',
      surface: 'satin',
      colour: '#CFC6B0',
      ...range(1.32, 1.36),
      movement: 'runs',
      foodTested: false,
      notes: 'Powdery, settles at once: stir before every piece. Runs when thick.',
    },
  },
  {
    base: [
      ['Nepheline syenite', 34],
      ['Whiting', 16],
      ['Silica', 14],
      ['Ball clay', 14],
      ['Kaolin', 12],
      ['Frit calcium-boron', 10],
    ],
    additions: [],
    stains: [['Praseodymium-zircon yellow stain', 8]],
    body: {
      name: 'Retama',
      surface: 'satin',
      colour: '#DAB23C',
      ...range(1.45, 1.49),
      movement: 'stays',
      foodTested: false,
      notes: 'Rich in clay: cracks when thick, flakes over powdery glazes.',
    },
  },
  {
    base: [
      ['Potash feldspar', 25],
      ['Silica', 22],
      ['Frit calcium-boron', 20],
      ['Kaolin', 15],
      ['Whiting', 12],
      ['Red earthenware clay', 6],
    ],
    additions: [
      ['Red iron oxide', 8],
      ['Rutile', 2],
    ],
    body: {
      name: 'Tinaja',
      surface: 'gloss',
      colour: '#9A5A22',
      ...range(1.44, 1.48),
      movement: 'moves',
      foodTested: false,
      notes: 'Amber brown; breaks on edges.',
    },
  },
  {
    base: [['Clear base, bought', 100]],
    additions: [],
    stains: [['Stain (spinel type)', 6]],
    body: {
      name: 'Humo',
      surface: 'gloss',
      colour: '#8C8A86',
      ...range(1.42, 1.46),
      movement: 'unknown',
      foodTested: false,
      notes: 'Bought base with black stain. Flocculated by drops in the summer.',
      product: {
        kind: 'base',
        label: { powder: { value: 1, unit: 'kg' }, water: { value: 1.05, unit: 'L' } },
        packGrams: 5000,
        packPrice: 24.5,
      },
    },
  },
  {
    base: [['Agua Quieta, jar glaze', 100]],
    additions: [],
    body: {
      name: 'Agua Quieta',
      surface: 'gloss',
      colour: '#6FA3A8',
      ...range(1.46, 1.54),
      movement: 'stays',
      foodTested: false,
      notes: 'Ready jar, brushed. Quiet blue over either body.',
      product: { kind: 'jar', coats: 3, jarMl: 470, jarPrice: 14.9, makerSaysFoodSafe: 'yes' },
    },
  },
];
