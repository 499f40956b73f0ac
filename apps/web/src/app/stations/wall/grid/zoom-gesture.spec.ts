import { onZoom } from './zoom-gesture';

describe('larger and smaller', () => {
  let box: HTMLElement;
  let told: number[];
  let end: () => void;
  beforeEach(() => {
    box = document.createElement('div');
    told = [];
    end = onZoom(box, (by) => told.push(by));
  });

  const touch = (type: string, ...xs: number[]): Event => {
    const touches = xs.map((clientX) => ({ clientX, clientY: 0 }));
    const event = Object.assign(new Event(type, { cancelable: true }), { touches });
    box.dispatchEvent(event);
    return event;
  };

  it('the wheel scrolls; with Ctrl it makes larger or smaller, and the page stays as it is', () => {
    const wheel = (ctrlKey: boolean, deltaY: number): WheelEvent => {
      const event = new WheelEvent('wheel', { ctrlKey, deltaY, cancelable: true });
      box.dispatchEvent(event);
      return event;
    };
    expect(wheel(false, 100).defaultPrevented).toBe(false);
    expect(told).toEqual([]);
    expect(wheel(true, -100).defaultPrevented).toBe(true);
    wheel(true, 100);
    expect(told[0]).toBeGreaterThan(1);
    expect(told[0]! * told[1]!).toBeCloseTo(1, 9);
  });

  it('two fingers that go apart make larger by as much; one finger scrolls', () => {
    touch('touchstart', 100);
    expect(touch('touchmove', 160).defaultPrevented).toBe(false);
    touch('touchstart', 100, 200);
    expect(touch('touchmove', 50, 250).defaultPrevented).toBe(true);
    touch('touchmove', 100, 200);
    expect(told).toEqual([2, 0.5]);
  });

  it('a third finger, or a lifted one, ends it', () => {
    touch('touchstart', 100, 200);
    touch('touchstart', 100, 200, 300);
    touch('touchmove', 0, 300, 300);
    expect(told).toEqual([]);
  });

  it('a wall that is left listens no more', () => {
    end();
    box.dispatchEvent(new WheelEvent('wheel', { ctrlKey: true, deltaY: 10 }));
    expect(told).toEqual([]);
  });
});
