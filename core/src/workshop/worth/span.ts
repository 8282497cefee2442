/** What is known only between two ends. */
export interface Span {
  readonly least: number;
  readonly most: number;
}

export const exactly = (value: number): Span => ({ least: value, most: value });
export const sumOfSpans = (spans: readonly Span[]): Span =>
  spans.reduce((a, b) => ({ least: a.least + b.least, most: a.most + b.most }), exactly(0));
/** Both ends times a factor that is not negative. */
export const timesSpan = ({ least, most }: Span, by: number): Span => ({
  least: least * by,
  most: most * by,
});
/** The widest that one span over another can be; both positive. */
export const overSpan = (a: Span, b: Span): Span => ({ least: a.least / b.most, most: a.most / b.least });
