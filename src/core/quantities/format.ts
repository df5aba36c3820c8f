import { fFromC, ftFromM, galFromL, lbFromKg } from './units';

export type Units = 'metric' | 'us';

/** Rounds for reading: three significant figures, no trailing zeros beyond them. */
function figures(value: number, digits: number): string {
	return value.toFixed(digits);
}

/** Grams in the household's units: "850 g", "9.1 kg", "3 lb 4 oz", "20 lb". */
export function sayWeight(grams: number, units: Units): string {
	if (units === 'us') {
		const ounces = Math.round(lbFromKg(grams / 1000) * 16);
		if (ounces < 16) return `${ounces === 0 && grams > 0 ? figures(lbFromKg(grams / 1000) * 16, 1) : ounces} oz`;
		const lb = Math.floor(ounces / 16);
		const oz = ounces % 16;
		return lb >= 10 || oz === 0
			? `${figures(lbFromKg(grams / 1000), lb >= 10 && oz !== 0 ? 1 : 0)} lb`
			: `${lb} lb ${oz} oz`;
	}
	if (grams < 1000) return `${Math.round(grams)} g`;
	const kg = grams / 1000;
	return `${figures(kg, kg < 10 ? 2 : kg < 100 ? 1 : 0).replace(/(\.\d)0$/, '$1')} kg`;
}

/** Litres: "8.0 L", "2.1 gal"; little in quarts, fluid ounces or millilitres, never as nought. */
export function sayVolume(litres: number, units: Units): string {
	if (units === 'us') {
		const gal = galFromL(litres);
		if (gal >= 1 || litres === 0) return `${figures(gal, 1)} gal`;
		return gal >= 0.25 ? `${figures(gal * 4, 1)} qt` : `${Math.max(1, Math.round(gal * 128))} fl oz`;
	}
	if (litres > 0 && litres < 0.1) return `${Math.max(1, Math.round(litres * 1000))} ml`;
	return `${figures(litres, litres < 10 ? 1 : 0)} L`;
}

/** What was measured in a cup: "3 1/2 cups", "875 ml". */
export const sayMeasure = (mL: number, units: Units): string =>
	units === 'us' ? `${sayFraction(mL / 236.588)} cups` : `${Math.round(mL)} ml`;

export function sayTemperature(celsius: number, units: Units): string {
	return units === 'us'
		? `${Math.round(fFromC(celsius))} °F`.replace('-', '−')
		: `${figures(celsius, Number.isInteger(Math.round(celsius * 10) / 10) ? 0 : 1).replace('-', '−')} °C`;
}

export function sayAltitude(metres: number, units: Units): string {
	return units === 'us' ? `${Math.round(ftFromM(metres)).toLocaleString('en-US')} ft` : `${Math.round(metres)} m`;
}

/** "1 pack", "3 packs". */
export const sayCount = (count: number, one: string, many = `${one}s`): string =>
	`${count} ${count === 1 ? one : many}`;

/** "8 to 26", or the one number where both are it. */
export const sayRange = ([low, high]: readonly [number, number]): string =>
	Math.round(low) === Math.round(high) ? `${Math.round(low)}` : `${Math.round(low)} to ${Math.round(high)}`;

/** A clock's seconds: "2:14", "1:02:09". */
export function sayClock(seconds: number): string {
	const whole = Math.max(0, Math.ceil(seconds));
	const h = Math.floor(whole / 3600);
	const m = Math.floor((whole % 3600) / 60);
	const s = String(whole % 60).padStart(2, '0');
	return h > 0 ? `${h}:${String(m).padStart(2, '0')}:${s}` : `${m}:${s}`;
}

/** A length of time for planning: "45 s", "3 min", "1 h 35". */
export function sayDuration(seconds: number): string {
	if (seconds < 60) return `${Math.round(seconds)} s`;
	const minutes = Math.round(seconds / 60);
	if (seconds < 600 && seconds % 60 !== 0) {
		const half = Math.round(seconds / 30) / 2;
		return `${half} min`.replace('.5', '½').replace(/^0½/, '½');
	}
	if (minutes < 60) return `${minutes} min`;
	const h = Math.floor(minutes / 60);
	return minutes % 60 === 0 ? `${h} h` : `${h} h ${String(minutes % 60).padStart(2, '0')}`;
}

/** Published minutes, one or a range: "3 min", "3 to 5 min", "10 to 15 s". */
export function sayMinutes([low, high]: readonly [number, number]): string {
	if (high < 1)
		return low === high ? `${Math.round(low * 60)} s` : `${Math.round(low * 60)} to ${Math.round(high * 60)} s`;
	const one = (m: number) => (m < 1 ? `${Math.round(m * 60)} s` : `${Math.round(m * 100) / 100}`.replace(/\.5$/, '½'));
	return low === high ? `${one(high)} min` : `${one(low)} to ${one(high)} min`;
}

const eighths = ['', '⅛', '¼', '⅜', '½', '⅝', '¾', '⅞'] as const;

/** A number of eighths as cooks write it: "½", "1¼", "2"; to the nearest eighth. */
export function sayFraction(value: number): string {
	const all = Math.round(value * 8);
	const whole = Math.floor(all / 8);
	const part = eighths[all % 8] ?? '';
	return whole > 0 || part === '' ? `${whole}${part}` : part;
}

/** A short length that is published in inches: "1 in", in metric "2.5 cm (1 in)". */
export function sayLength(metres: number, units: Units): string {
	const inches = `${sayFraction(metres / 0.0254)} in`;
	return units === 'us' ? inches : `${Number((metres * 100).toFixed(1))} cm (${inches})`;
}

/** Headspace, published in inches: "½ in", in metric "13 mm (½ in)". */
export const sayHeadspace = (inches: number, units: Units): string =>
	units === 'us' ? `${sayFraction(inches)} in` : `${Math.round(inches * 25.4)} mm (${sayFraction(inches)} in)`;

/** Spoons as the guides print them; in metric the millilitres beside. US spoons: 14.8 and 4.93 ml. */
export function saySpoons(count: number, spoon: 'tbsp' | 'tsp', units: Units): string {
	const mL = count * (spoon === 'tbsp' ? 14.78676478125 : 4.92892159375);
	const words = `${sayFraction(count)} ${spoon}`;
	return units === 'us' ? words : `${words} (${mL < 5 ? mL.toFixed(1) : Math.round(mL)} ml)`;
}

/** Gauge pressure: "11 psi"; in metric the kilopascals beside, which many gauges show. */
export const sayPressure = (psi: number, kPa: number, units: Units): string =>
	units === 'us' ? `${psi} psi` : `${psi} psi (${Math.round(kPa)} kPa)`;
