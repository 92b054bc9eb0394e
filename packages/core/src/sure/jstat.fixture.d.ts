/** What the tests use of a library that comes without types. */
declare module 'jstat' {
  const jStat: { beta: { inv(p: number, a: number, b: number): number; cdf(x: number, a: number, b: number): number } };
  export default jStat;
}
