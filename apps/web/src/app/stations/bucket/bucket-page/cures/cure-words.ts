import type { DropDose, DropKind, KeptDose, SuspensionRisk, StirringNeed, ThinnestPoint, TurningPoint, TwoTargets } from '@cazuela/core';
import type { Units } from '../../../../data/units/units';

export const DROP_NAMES: Readonly<Record<DropKind, string>> = { epsom: 'Epsom brine', silicate: 'sodium silicate' };

/** How a bucket's powder stays up, why, and what that asks for. */
export function riskWords({ suspension, causes, rawClayShare }: SuspensionRisk): { tone: string; what: string; why: string } {
  // A share of the recipe: less than a percent says nothing about settling.
  const clay = `${Math.round(rawClayShare)} % raw clay`;
  const why = causes
    .map((cause) => {
      switch (cause) {
        case 'littleClay':
          return `only ${clay} to hold the rest up`;
        case 'heavy':
          return 'frit and zircon are over half of what is not clay';
        case 'ash':
          return 'ash settles at once and is caustic: gloves and eye protection, also at the drill';
        case 'alkali':
          return 'a powder gives off alkali in water: in some weeks it thins at the same SG';
      }
    })
    .join('; ');
  const because = why ? `${why[0]!.toUpperCase()}${why.slice(1)}.` : `With ${clay}.`;
  switch (suspension) {
    case 'hardPans':
      return { tone: 'stop', what: 'Settles hard: a pan on the bottom.', why: because };
    case 'settles':
      return { tone: 'look', what: 'Settles within the hour.', why: because };
    case 'holds':
      return { tone: 'good', what: 'Stays up.', why: because };
  }
}

export const STIRRING_WORDS: Readonly<Record<StirringNeed['every'], string>> = {
  piece: 'before every piece',
  while: 'every ten minutes or so',
  nowAndThen: 'now and then',
};

/** Where a dose stands, and what to do next. */
export function doseWords(dose: DropDose, of: DropKind): { tone: 'quiet' | 'good' | 'look' | 'stop'; words: string } {
  const reading = of === 'epsom' ? 'time the swirl' : 'time the flow cup';
  switch (dose.zone) {
    case 'little':
      return { tone: 'quiet', words: `Below what usually does something. A few drops, stir a minute, ${reading}.` };
    case 'usual':
      return { tone: 'good', words: `Within the usual. Stop when a step changes little; ${dose.dropsLeft} drops to the ceiling.` };
    case 'much':
      return {
        tone: 'look',
        words: `More than usual: ${of === 'epsom' ? 'more may make it crack and pinhole' : 'it may thicken again'}. ${dose.dropsLeft} drops to the ceiling.`,
      };
    case 'ceiling':
      return {
        tone: 'stop',
        words:
          of === 'epsom'
            ? 'At the ceiling: stop. What this much did not do, more will not. Is there clay enough in it for salts to act on?'
            : 'At the ceiling: stop. More gels it, and nothing takes silicate out again.',
      };
  }
}

/** The turning point of the response to salts, or why there is none to be seen yet. */
export function turnWords(turn: TurningPoint): string {
  switch (turn.kind) {
    case 'tooFew':
      return turn.points === 0 ? '' : `${turn.points} of 5 swirls timed: then its turning point can be looked for.`;
    case 'noTurn':
      return 'No turning point yet: it answers evenly, or not at all.';
    case 'ok':
      return `It turned at about ${turn.drops} drops.`;
  }
}

/** Where silicate stands on its curve, which falls, stands, then rises. */
export function thinnestWords(point: ThinnestPoint, units: Units): { tone: string; words: string } {
  switch (point.kind) {
    case 'tooFew':
      return { tone: 'quiet', words: point.points === 0 ? '' : `${point.points} of 3 flow cups timed: then it is seen where it stands.` };
    case 'falling':
      return { tone: 'good', words: 'Still thinning with every step.' };
    case 'thinnest':
      return { tone: 'look', words: `Thinnest: ${units.plain(point.seconds)} s at about ${point.drops} drops. Stop here.` };
    case 'past':
      return {
        tone: 'stop',
        words: `Past its thinnest, which was ${units.plain(point.seconds)} s at ${point.drops} drops: it thickens again. No more of it.`,
      };
  }
}

/** A dose that was kept from the bucket before, for this one. */
export function keptWords(kept: KeptDose & { fromCode: string }, dose: DropDose, units: Units): string {
  const amount = dose.bySyringe ? `${units.plain(dose.millilitres)} mL` : `${dose.drops} drops`;
  return `${kept.fromCode} liked ${units.plain(kept.gramsPerDryKg)} g of it to a dry kilogram: ${amount} here. Start with half of that, stir, and feel.`;
}

export function twoTargetWords(both: TwoTargets): string {
  switch (both) {
    case 'right':
      return 'SG and liquid are both right.';
    case 'water':
      return 'Too heavy and too thick: water mends both. Add it in stages, and read both again.';
    case 'waterThenSalts':
      return 'Too heavy, and not too thick: water first, for the SG; then a few drops of Epsom brine until it stands as you like it.';
    case 'thicken':
      return 'Too light and too thin: thicken it, and read both again.';
    case 'thickenThenSilicate':
      return 'Too light, yet thick enough: salts or sour water stiffened it. Bring the SG up first; then sodium silicate by the drop thins the liquid without water.';
    case 'salts':
      return 'SG is right and it runs like water: a few drops of Epsom brine stiffen it without changing the SG.';
    case 'silicate':
      return 'SG is right and it is stiff: sodium silicate by the drop thins it without water. Water would too, and cost the SG.';
  }
}
