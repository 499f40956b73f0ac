import { TestBed } from '@angular/core/testing';
import { FakeRecords } from '../../../testing/records';
import { Keys, type KeyBinding } from './keys';

describe('keys', () => {
  let done: string[];
  beforeEach(() => {
    new FakeRecords();
    done = [];
    document.body.innerHTML = '';
  });
  const bind = (...bindings: (Omit<KeyBinding, 'run' | 'words'> & { words?: string })[]): void =>
    TestBed.runInInjectionContext(() =>
      TestBed.inject(Keys).bind(bindings.map((binding) => ({ words: '', ...binding, run: () => done.push(binding.words ?? binding.keys[0]!) }))),
    );
  /** Presses a key with the focus on an element; returns false when the key was handled. */
  const press = (key: string, target: HTMLElement = document.body, more: KeyboardEventInit = {}, atMs = 0): boolean => {
    const event = new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true, ...more });
    Object.defineProperties(event, { target: { value: target }, timeStamp: { value: atMs } });
    TestBed.inject(Keys).press(event);
    return !event.defaultPrevented;
  };
  const point = (target: HTMLElement): void => {
    const event = new Event('pointerdown');
    Object.defineProperty(event, 'target', { value: target });
    TestBed.inject(Keys).point(event);
  };
  const made = <E extends HTMLElement = HTMLElement>(html: string): E => {
    document.body.innerHTML = html;
    return document.body.firstElementChild as E;
  };

  it('the screen that is open is asked before the shell', () => {
    bind({ keys: ['1', 's'], words: 'shell' });
    bind({ keys: ['s'], words: 'screen' });
    press('s');
    press('1');
    expect(done).toEqual(['screen', 'shell']);
  });

  it('one held down counts once; with Ctrl, Alt or Meta it is the browser’s', () => {
    bind({ keys: ['n'] });
    press('n', document.body, { repeat: true });
    press('n', document.body, { ctrlKey: true });
    press('n', document.body, { altKey: true });
    press('n', document.body, { metaKey: true });
    expect(done).toEqual([]);
    expect(press('n')).toBe(false);
    expect(done).toEqual(['n']);
  });

  it('two quick presses of “next” are one: no line is taken by a nervous hand', () => {
    bind({ keys: [' '], words: 'next', restsMs: 350 }, { keys: ['n'], words: 'note' });
    press(' ', document.body, {}, 1_000);
    expect(press(' ', document.body, {}, 1_200)).toBe(false);
    press('n', document.body, {}, 1_250);
    press('n', document.body, {}, 1_300);
    press(' ', document.body, {}, 1_700);
    expect(done).toEqual(['next', 'note', 'note', 'next']);
  });

  it('are in force only when they mean something', () => {
    let over = false;
    bind({ keys: ['o'], inFields: true, when: () => over });
    const weight = made('<input inputmode="decimal" />');
    // Until it is too much, “12 oz” is typed.
    expect(press('o', weight)).toBe(true);
    over = true;
    expect(press('o', weight)).toBe(false);
    expect(done).toEqual(['o']);
  });

  it.each([
    ['a note', '<input type="text" />'],
    ['a long note', '<textarea></textarea>'],
    ['a list', '<select></select>'],
  ])('letters and Space are typed into %s, whatever the bench does with them; Enter goes on', (_what, html) => {
    bind({ keys: [' '], inFields: true }, { keys: ['o'], inFields: true }, { keys: ['enter'], inFields: true });
    const field = made(html);
    expect(press(' ', field)).toBe(true);
    expect(press('o', field)).toBe(true);
    expect(done).toEqual([]);
    press('Enter', field);
    expect(done).toEqual(['enter']);
  });

  it.each(['<input inputmode="decimal" />', '<input inputmode="numeric" />', '<input type="number" />'])(
    'in a field of figures Space goes on, for a hand that has just typed a weight: %s',
    (html) => {
      bind({ keys: [' '], words: 'next', inFields: true });
      bind({ keys: ['n'] });
      const field = made(html);
      expect(press(' ', field)).toBe(false);
      // What is not meant for fields leaves them alone.
      expect(press('n', field)).toBe(true);
      expect(done).toEqual(['next']);
    },
  );

  it.each(['checkbox', 'radio'])('a %s keeps its Space, and lets all else through', (type) => {
    bind({ keys: [' '] }, { keys: ['n'] });
    const box = made(`<input type="${type}" />`);
    expect(press(' ', box)).toBe(true);
    press('n', box);
    expect(done).toEqual(['n']);
  });

  it('a slider keeps its Space and Enter', () => {
    bind({ keys: [' ', 'enter'] });
    const knob = made('<span role="slider" tabindex="0"></span>');
    expect([press(' ', knob), press('Enter', knob)]).toEqual([true, true]);
  });

  it('a button reached by keys keeps its Space', () => {
    bind({ keys: [' '] });
    expect(press(' ', made('<button>tare</button>'))).toBe(true);
    expect(done).toEqual([]);
  });

  it('a button that was tapped gives it back: after “tare”, Space is “next”', () => {
    bind({ keys: [' '], words: 'next' });
    const tare = made('<button><kbd>T</kbd> tare</button>');
    tare.focus();
    point(tare.firstElementChild as HTMLElement);
    expect(press(' ', tare)).toBe(false);
    expect(done).toEqual(['next']);
    // The button loses the focus, or it would be pressed once more when the key comes up.
    expect(document.activeElement).toBe(document.body);
  });

  it('tapped and then come back to by Tab, it keeps it', () => {
    bind({ keys: [' '] });
    const tare = made('<button>tare</button>');
    point(tare);
    press('Tab');
    expect(press(' ', tare)).toBe(true);
  });

  it('a tapped button with nothing else for Space is pressed by it', () => {
    bind({ keys: ['n'] });
    const tare = made('<button>tare</button>');
    point(tare);
    expect(press(' ', tare)).toBe(true);
  });

  it('while a dialog is open they are its own', () => {
    bind({ keys: ['n'] });
    document.body.innerHTML = '<div class="cdk-overlay-container"><mat-dialog-container></mat-dialog-container></div>';
    expect(press('n')).toBe(true);
    expect(done).toEqual([]);
  });

  it('a bench that fills the screen has them as any screen', () => {
    bind({ keys: ['n'] });
    document.body.innerHTML = '<div class="cdk-overlay-container"><div class="full-screen"><mat-dialog-container></mat-dialog-container></div></div>';
    expect(press('n')).toBe(false);
    expect(done).toHaveLength(1);
  });
});
