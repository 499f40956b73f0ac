import { DRY_THROUGH_HOURS, type KilnSetting, type TimedStep, type Zone } from '@cazuela/core';
import type { Units } from '../../../data/units/units';

export const ZONE_WORDS: Record<Zone, string> = { inside: 'Inside', outside: 'Outside', rim: 'Rim band', foot: 'Foot' };
export const SETTING_WORDS: Record<KilnSetting, string> = {
  shelf: 'bare foot on the shelf',
  plate: 'on a plate with kiln wash',
  stilts: 'on stilts',
  upsideDown: 'upside down on a post',
  onRim: 'a lid, on its rim',
};

/** What to wait for after a step. */
export function waitWords(step: TimedStep): string {
  if (step.waitFor === 'nothing' || step.waitMinutes === 0) return '';
  return step.waitFor === 'dryThrough' ? `dry through, about ${DRY_THROUGH_HOURS} h, before another coat` : `wait about ${step.waitMinutes} min`;
}

/** Why a dip cannot give the coat that is planned. */
export function dipTrouble(step: TimedStep, units: Units): string {
  if (step.tooShort) return `The shortest that hands can do: it gives ${units.coat(step.tooShort.givesMm)}, not ${units.coat(step.layer!.coatMm)}.`;
  switch (step.dip?.kind) {
    case 'tooThickToDip':
      return 'The bucket is too thick to dip: thin it first.';
    case 'filmAlreadyExceeds':
      return `Even a touch leaves ${units.coat(step.dip.filmCoatMm)}: thin the bucket.`;
    case 'noSuction':
      return `Nothing is drunk here: ${units.coat(step.dip.filmCoatMm)} of film is all.`;
    case 'wallSaturated':
      return `The wall is full at ${units.coat(step.dip.mostMm)}: wait a day between the faces, or plan less.`;
    case 'tooSlow':
      return 'Over a minute in the glaze: thicken it or dip twice.';
    default:
      return '';
  }
}
