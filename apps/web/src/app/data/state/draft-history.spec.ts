import { DraftHistory } from './draft-history';

describe('the history of a draft', () => {
  it('goes back and forward step by step', () => {
    const history = new DraftHistory<string>();
    history.record('a');
    history.record('b');
    expect(history.undo('c')).toBe('b');
    expect(history.undo('b')).toBe('a');
    expect(history.canUndo()).toBe(false);
    expect(history.undo('a')).toBeUndefined();
    expect(history.redo('a')).toBe('b');
    expect(history.redo('b')).toBe('c');
    expect(history.canRedo()).toBe(false);
  });

  it('a change after an undo ends what could be redone', () => {
    const history = new DraftHistory<string>();
    history.record('a');
    history.undo('b');
    history.record('a');
    expect(history.canRedo()).toBe(false);
    expect(history.redo('c')).toBeUndefined();
  });

  it('forgets the oldest step beyond its length, and everything when it starts anew', () => {
    const history = new DraftHistory<number>(2);
    for (const state of [1, 2, 3]) history.record(state);
    expect([history.undo(4), history.undo(3), history.undo(2)]).toEqual([3, 2, undefined]);
    history.reset([7]);
    expect(history.canRedo()).toBe(false);
    expect(history.undo(8)).toBe(7);
  });
});
