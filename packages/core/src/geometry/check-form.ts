import { gripCount, type PieceForm } from './piece-form';

export type FormFault =
  | 'fewPoints'
  | 'footAboveRim'
  | 'turnsDown'
  | 'pointsTogether'
  | 'tooSmall'
  | 'tooLarge'
  | 'wallTooThick'
  | 'wallTooThin'
  | 'floorTooThick'
  | 'gripOff'
  | 'holeTooWide'
  | 'slabTooNarrow';

/** Sizes that a studio's pieces have, mm. */
export const FORM_LIMITS = { points: 24, lowMm: 5, highMm: 1200, wideMm: 600, thinMm: 1, thickMm: 40, apartMm: 1 } as const;

/**
 * Returns why a form cannot be made, with a sentence for the one who draws it; undefined when it can be made. The worst fault comes first.
 *
 * @param form - the form, lengths in mm
 * @example
 * formFault(formOf({ shapeId: 'cup' })) // undefined
 */
export function formFault(form: PieceForm): { fault: FormFault; message: string } | undefined {
  const { points, wallMm, floorMm, holeMm, slabMm } = form;
  const [foot, rim] = [points[0], points.at(-1)];
  if (!foot || !rim || points.length < 2) return { fault: 'fewPoints', message: 'A form needs a foot and a rim: two points at least.' };
  if (points.some((point) => !Number.isFinite(point.radiusMm) || !Number.isFinite(point.heightMm)))
    return { fault: 'tooSmall', message: 'Every point needs a radius and a height.' };
  if (foot.heightMm > rim.heightMm) return { fault: 'footAboveRim', message: 'The foot is above the rim: turn it over.' };
  for (let at = 1; at < points.length; at++) {
    const below = points[at - 1]!;
    const above = points[at]!;
    if (above.heightMm < below.heightMm)
      return { fault: 'turnsDown', message: 'The outside goes up from foot to rim; here it would turn down again.' };
    if ((above.radiusMm - below.radiusMm) ** 2 + (above.heightMm - below.heightMm) ** 2 < FORM_LIMITS.apartMm ** 2)
      return { fault: 'pointsTogether', message: 'Two points are in one place: take one away.' };
  }
  if (rim.heightMm < FORM_LIMITS.lowMm) return { fault: 'tooSmall', message: `A piece is at least ${FORM_LIMITS.lowMm} mm high.` };
  if (rim.heightMm > FORM_LIMITS.highMm || points.some((point) => point.radiusMm > FORM_LIMITS.wideMm))
    return {
      fault: 'tooLarge',
      message: `A piece is at most ${FORM_LIMITS.highMm} mm high and ${2 * FORM_LIMITS.wideMm} mm across: check the unit.`,
    };
  return wallFault(wallMm, floorMm, rim.heightMm, points, slabMm) ?? addedFault(form, foot.radiusMm, rim.heightMm, holeMm);
}

function wallFault(
  wallMm: number,
  floorMm: number,
  highMm: number,
  points: PieceForm['points'],
  slabMm: number | undefined,
): ReturnType<typeof formFault> {
  if (!(wallMm >= FORM_LIMITS.thinMm)) return { fault: 'wallTooThin', message: `A wall is at least ${FORM_LIMITS.thinMm} mm.` };
  if (wallMm > FORM_LIMITS.thickMm) return { fault: 'wallTooThick', message: `A wall over ${FORM_LIMITS.thickMm} mm is a block: check the unit.` };
  if (slabMm !== undefined) return slabMm >= 10 ? undefined : { fault: 'slabTooNarrow', message: 'A tile is at least 10 mm wide.' };
  const narrow = points.reduce((least, point) => Math.min(least, point.radiusMm), Infinity);
  if (narrow <= wallMm)
    return {
      fault: 'wallTooThick',
      message: `The wall is ${text(wallMm)} mm and the piece only ${text(narrow)} mm from its middle there: nothing is left inside.`,
    };
  if (!(floorMm >= FORM_LIMITS.thinMm)) return { fault: 'wallTooThin', message: `A floor is at least ${FORM_LIMITS.thinMm} mm.` };
  if (floorMm >= highMm - 2) return { fault: 'floorTooThick', message: 'The floor is as high as the rim: nothing is left inside.' };
  return undefined;
}

function addedFault({ grip, wallMm }: PieceForm, footMm: number, highMm: number, holeMm: number | undefined): ReturnType<typeof formFault> {
  if (holeMm !== undefined && !(holeMm > 0 && holeMm / 2 < footMm - wallMm))
    return { fault: 'holeTooWide', message: 'The drain hole is wider than the floor it goes through.' };
  if (!grip) return undefined;
  const name = gripCount(grip) > 1 ? 'A lug' : 'The handle';
  if (!(grip.upperMm > grip.lowerMm)) return { fault: 'gripOff', message: `${name}’s upper joint must lie above its lower one.` };
  if (grip.lowerMm < 0 || grip.upperMm > highMm)
    return { fault: 'gripOff', message: `${name} is joined outside the wall: between the foot and the rim.` };
  if (!(grip.outMm >= 2 && grip.widthMm >= 2 && grip.thickMm >= 1))
    return { fault: 'gripOff', message: `${name} needs a width, a thickness and room for a finger.` };
  return undefined;
}

const text = (mm: number): string => String(Math.round(10 * mm) / 10);
