import {
  STATE_GUESSES,
  wallUsed,
  windowChances,
  windowVerdict,
  type CoatWindow,
  type Attempt,
  type BucketContents,
  type CoatCompared,
  type CoatBasis,
  type CoatPrediction,
  type CoatMethod,
  type Coverage,
  type SecondsForCoat,
  type StirringNeed,
  type ShortestTime,
  type WaitForCoat,
  type WallState,
} from '@cazuela/core';
import type { CoatDipBody } from '@cazuela/contract';
import { formatWhen } from '../../data/units/times';
import type { Units } from '../../data/units/units';

/** A coat that would take less time than hands can do, and what makes it possible. */
export function tooShortWords(
  { shortestSeconds, atShortest, thinner }: ShortestTime,
  { coatMm, seconds }: { coatMm: number; seconds: number },
  units: Units,
): { what: string; remedies: string[] } {
  const least = units.seconds(shortestSeconds);
  const gives = atShortest.coat.kind === 'ok' ? atShortest.coat.coatMm : undefined;
  return {
    what: `${units.coat(coatMm)} would take ${units.seconds(seconds)}: under and out is ${least} at the quickest.`,
    remedies: [
      ...(thinner && thinner.waterMl > 0
        ? [`Thin the bucket to SG ${units.sg(thinner.sg)} with ${units.millilitres(units.pourable(thinner.waterMl))} of water: then it is ${least}.`]
        : thinner
          ? [`At SG ${units.sg(thinner.sg)} it is ${least}; the bucket stands below that already.`]
          : []),
      ...(gives === undefined ? [] : [`Or take the ${units.coat(gives)} that ${least} give.`]),
      'Or brush or spray it: a pass lays less.',
    ],
  };
}

/** Why no time gives the wanted coat, and what would. Undefined when a time does. */
export function cannotWords(
  answer: SecondsForCoat,
  wanted: { coatMm: number; sg: number },
  units: Units,
): { what: string; remedy: string } | undefined {
  switch (answer.kind) {
    case 'ok':
      return undefined;
    case 'tooThickToDip':
      return {
        what: `At SG ${units.sg(wanted.sg)} this glaze is too thick to dip: it will not run off.`,
        remedy: 'Thin it with water first, or brush it.',
      };
    case 'filmAlreadyExceeds':
      return {
        what: `What clings when the piece comes out is already ${units.coat(answer.filmCoatMm)}, more than you want.`,
        remedy: 'Thin the bucket, or dip and shake at once.',
      };
    case 'noSuction':
      return {
        what: `This wall drinks nothing: only the film of ${units.coat(answer.filmCoatMm)} stays.`,
        remedy: 'Warm the piece, thicken the glaze or add gum, dip more than once, or spray.',
      };
    case 'wallSaturated':
      return {
        what: `The wall is full at ${units.coat(answer.mostMm)}: it drinks no more, however long it stays in.`,
        remedy: 'A thicker bucket, one face at a time with a day between, or a second coat when it is dry through.',
      };
    case 'tooSlow':
      return { what: 'That coat takes longer than a minute in the glaze.', remedy: 'A thicker bucket, two dips, or a softer bisque.' };
  }
}

/** People count seconds to about 0.3 s: a smaller difference is what was wanted. */
const TOLD_SECONDS = 0.4;

/** Names of the application methods. */
export const METHOD_NAMES: Readonly<Record<CoatMethod, string>> = {
  dip: 'Dip',
  pour: 'Pour in and out',
  ladle: 'Ladle over',
  brushLoaded: 'Brush, loaded',
  brushDry: 'Brush, drawn dry',
  sponge: 'Sponge, dabbed',
  spray: 'Spray',
};

/** Seconds shown on the curve: enough for the answer, without an empty stretch. */
export function curveSeconds(answer: SecondsForCoat, seconds: number): number {
  const wanted = answer.kind === 'ok' ? answer.seconds : 0;
  return Math.min(60, Math.max(6, Math.ceil(2.2 * Math.max(wanted, seconds))));
}

/** How the liquid of a bucket stands and why, with what it does to film and packing; and what else speaks against dipping now. */
export function standWords(contents: BucketContents, stir?: StirringNeed['every']): string[] {
  const { slurryState, feel, additives, contaminated } = contents;
  const { filmMm, packing } = STATE_GUESSES[slurryState];
  const since = feel ? `, ${formatWhen(feel.at)}` : '';
  const swirl = feel?.told ? `, as somebody said${since}` : feel?.swirlSeconds === undefined ? '' : `, by a swirl of ${feel.swirlSeconds} s${since}`;
  const salts = additives?.epsomGrams ? `, ${additives.epsomGrams.toFixed(1)} g of Epsom salts in it` : '';
  const silicate = additives?.silicateGrams ? `, ${additives.silicateGrams.toFixed(1)} g of silicate in it` : '';
  const film = `film ${filmMm.toFixed(2)} mm, packing ${packing}`;
  return [
    ...(slurryState === 'normal' ? [] : [`Reckoned as ${slurryState}${swirl}${salts}${silicate}: ${film}.`]),
    ...(additives?.gumMl ? ['Gum in it: it drinks slower than reckoned here, so expect less.'] : []),
    ...(stir ? [`Stir it first, then ${{ piece: 'before every piece', while: 'every ten minutes or so', nowAndThen: 'now and then' }[stir]}.`] : []),
    ...(contaminated ? [`Contaminated: ${contaminated.join('; ')}.`] : []),
  ];
}

/** What a prediction rests on, in words, and how often its ranges held so far. `lotIsTested`: whether this bisque lot itself was tested in water. */
export function basisWords(basis: CoatBasis, coverage: Coverage, lotIsTested = true): { what: string; how: string } {
  if (basis.kind === 'startingGuess')
    return {
      what: 'Starting guess:',
      how: 'from SG, how the liquid stands, bisque cone and wall alone. Dip a step tile to make it yours. Ranges hold four times in five.',
    };
  const { pair, glaze, body, thirstTest } = basis;
  const dips = (count: number): string => `${count} ${count === 1 ? 'dip' : 'dips'}`;
  const water = !thirstTest ? '' : lotIsTested ? ' Its wall was tested in water.' : ' Another lot of this clay was tested in water, this one never.';
  const leans =
    thirstTest && glaze + body === 0
      ? `a thirst test of ${lotIsTested ? 'this wall' : 'another lot of this clay'} in water; how this glaze builds up stays a guess.`
      : pair > 0
        ? `${dips(pair)} of this glaze on this body${glaze + body > 2 * pair ? `; ${glaze + body - 2 * pair} more of this glaze or this clay, not together` : ''}.`
        : glaze > 0 && body > 0
          ? `${dips(glaze)} of this glaze on other bodies and ${dips(body)} of others on this body; never both together.`
          : glaze > 0
            ? `${dips(glaze)} of this glaze on other bodies; how thirsty this one is stays a guess.`
            : `${dips(body)} of other glazes on this body; how this glaze builds up stays a guess.`;
  const held = coverage.of >= 3 ? ` ${coverage.inside} of the studio’s last ${coverage.of} dips fell inside the band shown for them.` : '';
  return { what: 'Learnt:', how: `from ${leans}${glaze + body > 0 ? water : ''}${held}` };
}

/** A measured dip in the list. */
export function dipWords(body: CoatDipBody, read: Attempt<{ coatMm: number }>, units: Units): string {
  const how = { wetWeight: 'weighed wet', dryWeight: 'weighed dry', thickness: 'measured' }[body.reading.kind];
  const coat = read.kind === 'ok' ? units.coat(read.value.coatMm) : 'no coat';
  const method = body.method ?? 'dip';
  const put =
    body.passes === undefined
      ? `${units.seconds(body.seconds)}${body.secondsPlanned ? ' planned' : ''}`
      : `${body.passes} × ${METHOD_NAMES[method].toLowerCase()}`;
  const over = body.before
    ? body.before.firedUnder
      ? ' on a fired glaze'
      : body.before.underMm > 0
        ? ` over ${units.coat(body.before.underMm)}`
        : ' on a damp wall'
    : '';
  const named = method === 'dip' || body.passes !== undefined ? '' : `${METHOD_NAMES[method].toLowerCase()}, `;
  return `${named}${put} at SG ${units.sg(body.sg)}${over}: ${coat}, ${how}, ${body.by}`;
}

/** What a dip does in the window of its glaze on this body: how it will look, and how sure that is. */
export function windowWords(window: CoatWindow, wanted: { coatMm: number; lnSd: number }, units: Units): string {
  const { thin, right, thick } = windowChances({ ...wanted, window });
  // Never all of them: a range says what is usual, not what is impossible.
  const share = (chance: number): string => (chance > 0.99 ? 'over 99 %' : `${Math.round(100 * chance)} %`);
  const look = (words: string): string => (words ? `, ${words}` : '');
  const verdict = windowVerdict({ coatMm: wanted.coatMm, window });
  const { looks } = window;
  const range = `${units.coat(window.thinMm)}–${units.coat(window.thickMm)}`;
  const is = {
    right: `Right for this body (${range})${look(looks.right)}`,
    thin: `Thin for this body (${range})${look(looks.thin)}`,
    thick: `Thick for this body (${range})${look(looks.thick)}`,
  }[verdict];
  const misses = [
    ...(thin >= 0.05 ? [`${share(thin)} thin${verdict === 'thin' ? '' : look(looks.thin)}`] : []),
    ...(thick >= 0.05 ? [`${share(thick)} thick${verdict === 'thick' ? '' : look(looks.thick)}`] : []),
  ];
  return `${is}. Of dips like this ${share(right)} come out right${misses.length > 0 ? `; ${misses.join('; ')}` : ''}.`;
}

/** The same coat in other people's measures. */
export function comparedWords({ thou, gramsPerCm2, cards }: CoatCompared, units: Units): string {
  const other = units.coatUnit() === 'mm' ? `${thou.toFixed(0)} thou` : `${(thou * 0.0254).toFixed(2)} mm`;
  const whole = Math.max(0.5, Math.round(2 * cards) / 2);
  return `= ${other}, ${gramsPerCm2.toFixed(3)} g/cm² dry, as thick as ${whole === 0.5 ? 'half a business card' : `${whole} business card${whole === 1 ? '' : 's'}`}`;
}

/** A time as hours and minutes. */
export function longWords(minutes: number): string {
  const whole = Math.round(minutes);
  if (whole < 60) return `${whole} min`;
  const [hours, rest] = [Math.floor(whole / 60), whole % 60];
  return `${hours} h${rest > 0 ? ` ${rest} min` : ''}`;
}

/** What the wall is like after all treatments, and how long it has to rest before the coat. */
export function waitWords(wait: WaitForCoat, state: WallState, touched: boolean, units: Units): { words: string; tone: string } | undefined {
  const stands = touched ? `The wall holds ${Math.round(100 * wallUsed(state))} % of the water it can. ` : '';
  if (wait.kind === 'now') return { words: `${stands}It can be dipped now.`, tone: 'good' };
  if (wait.kind === 'wait') return { words: `${stands}Wait ${longWords(wait.minutes)}: then ${units.seconds(wait.seconds)} give it.`, tone: 'look' };
  return { words: `${stands}Not even dry through it gives that coat in one dip.`, tone: 'look' };
}

/** The coat of a timed dip, beside the one that was wanted. */
export function predictedWords(
  { coat, lowMm, highMm }: CoatPrediction,
  asked: { wantedSeconds: number | undefined; seconds: number; window: CoatWindow | undefined },
  units: Units,
): string {
  if (coat.kind !== 'ok') return 'too thick to dip';
  const off = asked.wantedSeconds === undefined ? 0 : asked.seconds - asked.wantedSeconds;
  const late = Math.abs(off) < TOLD_SECONDS ? '' : `${units.seconds(Math.abs(off))} ${off > 0 ? 'longer' : 'shorter'} than wanted: `;
  const verdict = asked.window ? `, ${windowVerdict({ coatMm: coat.coatMm, window: asked.window })} for this body` : '';
  return `${late}expect ${units.coat(coat.coatMm)} (${units.coat(lowMm ?? coat.coatMm)} to ${units.coat(highMm ?? coat.coatMm)})${verdict}`;
}
