export { expansionFactors, glassExpansion, type GlassExpansion } from './expansion';
export { glazeFit, type GlazeFit } from './fit';
export { flowGuess, flowFromWord, meltsAtAll, movementWord, type FlowGuess, type MovementWord } from './flow-guess';
export { MOLAR_MASS, oxideGrams, unityFormula, unity, type Oxide, type OxideGrams, type Unity, type UnityAnswer } from './oxides';
