// Packages that ship no types of their own.
declare module 'jstat' {
  const jstat: {
    studentt: { inv(p: number, dof: number): number; cdf(t: number, dof: number): number };
    normal: { cdf(x: number, mean: number, std: number): number; inv(p: number, mean: number, std: number): number };
  };
  export default jstat;
}
