export {
  bentonitePercent,
  MOST_BENTONITE_PERCENT,
  powderShares,
  suspensionOf,
  dryCoatOf,
  type PowderShares,
  type Suspension,
  type DryCoat,
} from './behaviour';
export { type Powder, type WeighedPowder } from './powder';
