export { powderShares, suspensionOf, dryCoatOf, type PowderShares, type Suspension, type DryCoat } from './behaviour';
export { type Powder, type WeighedPowder } from './powder';
