/** What the tests use of a library that comes without types. */
declare module 'jstat' {
  const jStat: {
    beta: { inv(p: number, a: number, b: number): number; cdf(x: number, a: number, b: number): number };
    binomial: { cdf(most: number, n: number, share: number): number };
    hypgeom: { cdf(most: number, lot: number, faulty: number, n: number): number };
    normal: { cdf(x: number, mean: number, deviation: number): number };
  };
  export default jStat;
}
