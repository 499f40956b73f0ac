import { signal } from '@angular/core';
import { TestBed } from '@angular/core/testing';
import { coverageOf, knowledgeOf, learnCoats, type CoatObservation } from '@cazuela/core';
import { CoatLearner, MOST_AT_ONCE, type CoatLessons } from './coat-learner';

const dips = (count: number): CoatObservation[] =>
  Array.from({ length: count }, (_, index) => ({
    id: `d${index}`,
    glazeId: `g${index % 7}`,
    bodyId: `b${index % 2}`,
    situation: { sg: 1.45, density: 2.6, state: 'normal', bisqueCone: '05', wallMm: 5, faces: 1 },
    seconds: 1 + (index % 5),
    coatMm: 0.5 + 0.05 * Math.sin(index),
    lnSd: 0.08,
  }));
const PAIR = { glazeId: 'g1', bodyId: 'b1' };

describe('what the measured dips teach a page', () => {
  const learn = (observations: CoatObservation[]): { lessons: CoatLessons; put: (next: CoatObservation[]) => void } => {
    const question = signal({ observations, walls: [] });
    const lessons = TestBed.runInInjectionContext(() => TestBed.inject(CoatLearner).learn(question));
    return { lessons, put: (next) => question.set({ observations: next, walls: [] }) };
  };

  it('is there at once where they are few', () => {
    const { lessons } = learn(dips(20));
    expect(lessons.reading()).toBe(0);
    expect(lessons.learning()).toEqual(learnCoats({ observations: dips(20) }));
    expect(lessons.coverage()).toEqual(coverageOf({ observations: dips(20), newest: 9 }));
  });

  it('comes from a worker where they are many: until then what was known before, and said', () => {
    const many = dips(MOST_AT_ONCE + 1);
    const { lessons, put } = learn(dips(20));
    const before = lessons.learning();
    put(many);
    expect(lessons.reading()).toBe(MOST_AT_ONCE + 1);
    expect(lessons.learning()).toBe(before);
    expect(lessons.coverage()).toEqual({ inside: 0, of: 0 });
    TestBed.tick();
    expect(lessons.reading()).toBe(0);
    expect(knowledgeOf(lessons.learning(), PAIR)).toEqual(knowledgeOf(learnCoats({ observations: many }), PAIR));
    expect(lessons.coverage()).toEqual(coverageOf({ observations: many, newest: 9 }));
  });

  it('one dip more is read anew, and the next page begins with what was learnt', () => {
    const { lessons, put } = learn(dips(MOST_AT_ONCE + 1));
    TestBed.tick();
    lessons.learning();
    put(dips(MOST_AT_ONCE + 2));
    expect(lessons.reading()).toBe(MOST_AT_ONCE + 2);
    expect(knowledgeOf(lessons.learning(), PAIR).basis).toMatchObject({ kind: 'learnt' });
    const next = learn(dips(MOST_AT_ONCE + 2)).lessons;
    expect(knowledgeOf(next.learning(), PAIR).basis).toMatchObject({ kind: 'learnt' });
  });
});
