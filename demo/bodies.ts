import { v7 as uuid } from 'uuid';
import type { ClayBody } from '@cazuela/contract';
import type { DemoClock } from './clock';

/** The two clay bodies with their cards; two bisque lots of the white one, the older tested in water. */
export function demoBodies(clock: DemoClock): ClayBody[] {
  return [
    {
      id: uuid(),
      version: 1,
      name: 'Barro Claro',
      colour: '#E4D8C2',
      bisqueCone: '05',
      earthenware: false,
      shrinkagePercent: 12.2,
      expansion: 5.7,
      lowCone: '5',
      highCone: '7',
      wallMm: 5,
      lots: [
        {
          id: uuid(),
          name: 'Soup fair, first half',
          at: clock.ago({ days: 52 }),
          bisqueCone: '05',
          wallMm: 5,
          thirst: { dryGrams: 45.6, afterGrams: 49.6, soakedGrams: 51.1, seconds: 3, faceCm2: 40, faces: 2, divisionGrams: 0.01 },
        },
        { id: uuid(), name: 'Soup fair, second half', at: clock.ago({ days: 9 }), bisqueCone: '05', wallMm: 5 },
      ],
    },
    {
      id: uuid(),
      version: 1,
      name: 'Barro Tostado',
      colour: '#8A5A3C',
      bisqueCone: '05',
      earthenware: false,
      absorptionPercent: 11.5,
      shrinkagePercent: 11,
      lowCone: '4',
      highCone: '6',
      speckled: true,
      groggy: true,
    },
  ];
}
