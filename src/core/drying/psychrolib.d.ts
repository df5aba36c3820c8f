declare module 'psychrolib' {
	/** SI: °C, Pa, relative humidity 0 to 1, kg of water to a kg of dry air. */
	interface Psychrometrics {
		readonly SI: number;
		SetUnitSystem(system: number): void;
		GetHumRatioFromRelHum(dryBulb: number, relativeHumidity: number, pressure: number): number;
		GetRelHumFromHumRatio(dryBulb: number, humidityRatio: number, pressure: number): number;
		GetTWetBulbFromHumRatio(dryBulb: number, humidityRatio: number, pressure: number): number;
		GetSatVapPres(dryBulb: number): number;
		GetMoistAirVolume(dryBulb: number, humidityRatio: number, pressure: number): number;
		GetSatHumRatio(dryBulb: number, pressure: number): number;
	}
	const psychrolib: Psychrometrics;
	export default psychrolib;
}
