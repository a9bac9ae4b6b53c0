// Packages that ship no types of their own.
declare module 'jstat' {
  const jstat: {
    stdev(values: number[], sample?: boolean): number;
    studentt: { inv(p: number, dof: number): number; cdf(t: number, dof: number): number };
    normal: { cdf(x: number, mean: number, std: number): number; inv(p: number, mean: number, std: number): number };
  };
  export default jstat;
}

declare module 'psychrolib' {
  const psychrolib: {
    SI: number;
    SetUnitSystem(system: number): void;
    GetStandardAtmPressure(altitudeM: number): number;
    GetSatVapPres(temperatureC: number): number;
  };
  export default psychrolib;
}

declare module '@lhncbc/ucum-lhc' {
  interface Utils {
    validateUnitString(code: string): { status: 'valid' | 'invalid' | 'error'; ucumCode: string | null };
    convertUnitTo(from: string, value: number, to: string): { status: string; toVal: number | null };
  }
  const ucum: { UcumLhcUtils: { getInstance(): Utils } };
  export default ucum;
}
