declare module 'psychrolib' {
  const lib: {
    SI: number;
    SetUnitSystem(system: number): void;
    GetSatVapPres(tC: number): number;
    GetTWetBulbFromRelHum(tC: number, rh: number, pressure: number): number;
    GetTDewPointFromRelHum(tC: number, rh: number): number;
    GetHumRatioFromVapPres(vapour: number, pressure: number): number;
    GetStandardAtmPressure(altitude: number): number;
    GetDryAirDensity(tC: number, pressure: number): number;
  };
  export default lib;
}
