import { TestBed } from '@angular/core/testing';
import { dropDose, type DropKind, type SuspensionRisk, type TwoTargets } from '@cazuela/core';
import { FakeRecords } from '../../../../../testing/records';
import { Units } from '../../../../data/units/units';
import { doseWords, keptWords, riskWords, thinnestWords, turnWords, twoTargetWords } from './cure-words';

describe('what is said of a bucket that settles', () => {
  const units = (): Units => {
    new FakeRecords();
    return TestBed.inject(Units);
  };

  it.each<[SuspensionRisk['suspension'], SuspensionRisk['causes'], string, RegExp]>([
    ['hardPans', ['littleClay', 'heavy'], 'stop', /^Only 4 % raw clay to hold the rest up; frit and zircon are over half/],
    ['settles', ['ash'], 'look', /caustic: gloves and eye protection, also at the drill/],
    ['settles', ['alkali'], 'look', /in some weeks it thins at the same SG/],
    ['holds', [], 'good', /^With 4 % raw clay\.$/],
  ])('%s because of %j', (suspension, causes, tone, why) => {
    const said = riskWords({ suspension, causes, rawClayShare: 4.04 });
    expect(said.tone).toBe(tone);
    expect(said.why).toMatch(why);
  });

  it.each<[DropKind, number, string, RegExp]>([
    ['epsom', 0.5, 'quiet', /A few drops, stir a minute, time the swirl/],
    ['silicate', 0.5, 'quiet', /time the flow cup/],
    ['epsom', 10, 'good', /Within the usual/],
    ['epsom', 17, 'look', /may make it crack and pinhole/],
    ['silicate', 25, 'look', /may thicken again/],
    ['epsom', 60, 'stop', /Is there clay enough/],
    ['silicate', 60, 'stop', /nothing takes silicate out again/],
  ])('%s, %d g in 7.2 kg of dry glaze', (of, grams, tone, words) => {
    const said = doseWords(dropDose({ grams, of, dryGrams: 7_200 }), of);
    expect([said.tone, said.words]).toEqual([tone, expect.stringMatching(words)]);
  });

  it('nothing timed is nothing said; then how many are still wanted; then where it turned', () => {
    expect(turnWords({ kind: 'tooFew', points: 0 })).toBe('');
    expect(turnWords({ kind: 'tooFew', points: 3 })).toMatch(/^3 of 5 swirls timed/);
    expect(thinnestWords({ kind: 'tooFew', points: 0 }, units()).words).toBe('');
    expect(thinnestWords({ kind: 'tooFew', points: 2 }, units()).words).toMatch(/^2 of 3 flow cups timed/);
  });

  it('a dose another bucket liked is offered by half', () => {
    const dose = dropDose({ grams: 5, of: 'epsom', dryGrams: 7_200 });
    const said = keptWords({ of: 'epsom', gramsPerDryKg: 0.7, fromCode: 'K4M2' }, { ...dose, bySyringe: false }, units());
    expect(said).toMatch(new RegExp(`^K4M2 liked 0\\.700 g of it to a dry kilogram: ${dose.drops} drops here\\. Start with half`));
    expect(keptWords({ of: 'epsom', gramsPerDryKg: 0.7, fromCode: 'K4M2' }, { ...dose, bySyringe: true }, units())).toContain(' mL here');
  });

  it.each<[TwoTargets, RegExp]>([
    ['right', /both right/],
    ['water', /water mends both/],
    ['waterThenSalts', /water first, for the SG; then a few drops of Epsom brine/],
    ['thicken', /thicken it, and read both again/],
    ['thickenThenSilicate', /Bring the SG up first; then sodium silicate/],
    ['salts', /without changing the SG/],
    ['silicate', /without water/],
  ])('SG and liquid together: %s', (both, words) => expect(twoTargetWords(both)).toMatch(words));
});
