import { powderOrder } from '../../src/index';

describe('what to buy', () => {
  it('is what is low, up to twice what the studio wants to have, as it is sold', () => {
    const order = powderOrder({
      powders: [
        { id: 's', name: 'Silica', stockGrams: 900, lowGrams: 1000, pricePerKg: 2 },
        { id: 'c', name: 'Cobalt carbonate', stockGrams: 12, lowGrams: 50 },
        { id: 't', name: 'Tin oxide', stockGrams: -20, lowGrams: 200 },
        { id: 'k', name: 'Kaolin', stockGrams: 1001, lowGrams: 1000 },
        { id: 'w', name: 'Whiting', lowGrams: 1000 },
        { id: 'z', name: 'Zinc oxide', stockGrams: 5 },
      ],
    });
    expect(order).toEqual([
      { powderId: 's', name: 'Silica', haveGrams: 900, buyGrams: 1500, cost: 3 },
      { powderId: 'c', name: 'Cobalt carbonate', haveGrams: 12, buyGrams: 90 },
      { powderId: 't', name: 'Tin oxide', haveGrams: 0, buyGrams: 400 },
    ]);
  });
});
