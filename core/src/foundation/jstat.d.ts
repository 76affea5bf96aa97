declare module 'jstat' {
  interface Normal {
    cdf(x: number, mean: number, sd: number): number;
    inv(p: number, mean: number, sd: number): number;
  }
  interface StudentT {
    cdf(x: number, dof: number): number;
    inv(p: number, dof: number): number;
  }
  const jstat: { normal: Normal; studentt: StudentT };
  export default jstat;
}
