/** What waits to be drawn, by what it is drawn on: a newer drawing takes an older one's place in the line. */
const waiting = new Map<object, () => void>();
let working = false;

/** One at a time, each in a task of its own: between two of them the page answers whoever types. */
function next(): void {
  const [first] = waiting;
  if (first === undefined) {
    working = false;
    return;
  }
  const [on, draw] = first;
  waiting.delete(on);
  setTimeout(next, 0);
  draw();
}

/** Draws in its turn, soon: never two charts in one task. */
export function drawInTurn(on: object, draw: () => void): void {
  waiting.set(on, draw);
  if (working) return;
  working = true;
  setTimeout(next, 0);
}

/** What is gone need not be drawn. */
export function drawNoMore(on: object): void {
  waiting.delete(on);
}
