/** A file as its text, for tests. */
declare module '*?raw' {
  const text: string;
  export default text;
}
