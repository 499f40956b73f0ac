import { pressTimer, READY_TIMER, timerShows, withoutLastDip, type DipTimer } from '../../src/index';

const press = (timer: DipTimer, ...at: number[]): DipTimer => at.reduce((before, atMs) => pressTimer({ timer: before, atMs }), timer);

describe('the dip timer', () => {
  it('counts three in, then seconds from the moment the piece goes under', () => {
    const timer = press(READY_TIMER, 10_000);
    expect([10_000, 11_100, 12_999].map((atMs) => timerShows({ timer, atMs }))).toEqual([3, 2, 1].map((left) => ({ kind: 'beats', left })));
    expect(timerShows({ timer, atMs: 13_000 })).toEqual({ kind: 'seconds', seconds: 0 });
    expect(timerShows({ timer, atMs: 15_400 })).toEqual({ kind: 'seconds', seconds: 2.4 });
  });

  it('keeps the real seconds of several dips in a row', () => {
    expect(press(READY_TIMER, 0, 5_400, 10_000, 17_130)).toEqual({ kind: 'ready', dips: [2.4, 4.1] });
  });

  it('a key pressed twice is no dip of 0.0 s', () => {
    expect(press(READY_TIMER, 0, 3_040)).toEqual(READY_TIMER);
    expect(press(READY_TIMER, 0, 5_400, 10_000, 13_200)).toEqual({ kind: 'ready', dips: [2.4] });
  });

  it('a count-in can be given up, the last dip taken back', () => {
    expect(press(READY_TIMER, 0, 1_500)).toEqual(READY_TIMER);
    expect(withoutLastDip(press(READY_TIMER, 0, 5_400, 10_000, 17_000))).toEqual({ kind: 'ready', dips: [2.4] });
  });
});
