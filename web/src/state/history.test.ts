import { describe, expect, it } from 'vitest';
import { emptyHistory, record, redo, undo, type History } from './history.ts';

describe('history', () => {
  it('goes back and forth over whole documents', () => {
    let history: History<string> = emptyHistory;
    history = record(history, 'a', 'first', 'x', 0);
    history = record(history, 'b', 'second', 'y', 100);
    const back = undo(history, 'c');
    expect(back?.document).toBe('b');
    const further = back === undefined ? undefined : undo(back.history, back.document);
    expect(further?.document).toBe('a');
    expect(further && undo(further.history, further.document)).toBeUndefined();
    const forth = further && redo(further.history, further.document);
    expect(forth?.document).toBe('b');
    const end = forth && redo(forth.history, forth.document);
    expect(end?.document).toBe('c');
    expect(end && redo(end.history, end.document)).toBeUndefined();
  });

  it('makes one step of the letters typed into one field, and two of a pause', () => {
    let history: History<string> = record(emptyHistory, '', 'mass', 'brief.riderMassKg', 0);
    history = record(history, '1', 'mass', 'brief.riderMassKg', 400);
    history = record(history, '14', 'mass', 'brief.riderMassKg', 900);
    expect(history.past).toHaveLength(1);
    expect(undo(history, '142')?.document).toBe('');
    history = record(history, '142', 'mass', 'brief.riderMassKg', 9000);
    expect(history.past).toHaveLength(2);
  });

  it('never joins steps without a key, nor after going back', () => {
    let history: History<string> = record(emptyHistory, 'a', 'place', '', 0);
    history = record(history, 'b', 'place', '', 1);
    expect(history.past).toHaveLength(2);
    const back = undo(history, 'c');
    if (back === undefined) throw new Error('nothing to undo');
    const edited = record(back.history, 'b', 'other', '', 2);
    expect(edited.future).toEqual([]);
    expect(edited.past.map((s) => s.document)).toEqual(['a', 'b']);
  });

  it('has an end, so that a long session does not fill the memory', () => {
    let history: History<number> = emptyHistory;
    for (let i = 0; i < 500; i += 1) history = record(history, i, 'step', '', i);
    expect(history.past).toHaveLength(200);
    expect(history.past[0]?.document).toBe(300);
  });
});
