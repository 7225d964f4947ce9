declare module 'jstat' {
  interface Distribution {
    cdf(x: number, ...parameters: number[]): number;
    inv(p: number, ...parameters: number[]): number;
  }
  const jStat: {
    normal: Distribution;
    studentt: Distribution;
    erfc(x: number): number;
    inv(a: number[][]): number[][];
    det(a: number[][]): number;
  };
  export default jStat;
}
