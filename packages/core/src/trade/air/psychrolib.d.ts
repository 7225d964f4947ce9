declare module 'psychrolib' {
  /** One object for the whole program; its unit system is global, so only moist-air.ts may import it. */
  interface Psychrolib {
    readonly IP: number;
    SetUnitSystem(system: number): void;
    GetHumRatioFromTWetBulb(dryBulbF: number, wetBulbF: number, psi: number): number;
    GetHumRatioFromRelHum(dryBulbF: number, share: number, psi: number): number;
    GetTWetBulbFromHumRatio(dryBulbF: number, ratio: number, psi: number): number;
    GetRelHumFromHumRatio(dryBulbF: number, ratio: number, psi: number): number;
    GetMoistAirEnthalpy(dryBulbF: number, ratio: number): number;
  }
  const psychrolib: Psychrolib;
  export default psychrolib;
}
