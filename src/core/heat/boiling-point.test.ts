import { describe, expect, it } from 'vitest';
import { fFromC, mFromFt } from '../quantities/units';
import { DomainError } from '../errors';
import { airPressure_Pa, boilingPoint_C, saturationTemperature_C } from './boiling-point';

describe('the boiling point by altitude', () => {
	// Boiling point of water by altitude, USDA and extension tables (°F, from memory). They are rounded and some
	// printings take another pressure, so half a degree Fahrenheit is the tolerance.
	it.each([
		[0, 212.0],
		[1000, 210.2],
		[2000, 208.4],
		[3000, 206.6],
		[5000, 202.9],
		[6000, 201.1],
		[8000, 197.4],
		[10000, 193.7]
	])('agrees with the published table at %i ft', (feet, fahrenheit) => {
		expect(Math.abs(fFromC(boilingPoint_C(mFromFt(feet))) - fahrenheit)).toBeLessThan(0.5);
	});

	// IAPWS-IF97, table 36: saturation temperatures for checking a program (from memory).
	it.each([
		[0.1e6, 372.755919],
		[1e6, 453.035632],
		[10e6, 584.149488]
	])('gives the saturation temperature at %d Pa to the digits of IAPWS-IF97', (pressure, kelvin) => {
		expect(saturationTemperature_C(pressure) + 273.15).toBeCloseTo(kelvin, 5);
	});

	// U.S. Standard Atmosphere 1976, pressure at geopotential altitude (from memory).
	it.each([
		[0, 101325],
		[1000, 89874.6],
		[2000, 79495.2],
		[3000, 70108.5]
	])('gives the standard pressure at %i m', (metres, pascal) => {
		expect(airPressure_Pa(metres) / pascal).toBeCloseTo(1, 4);
	});

	it('falls steadily with altitude', () => {
		let before = Infinity;
		for (let m = -400; m <= 6000; m += 50) {
			const now = boilingPoint_C(m);
			expect(now).toBeLessThan(before);
			before = now;
		}
	});

	it.each([Number.NaN, Infinity, -431, 6001])('refuses an altitude of %d', (altitude) => {
		expect(() => boilingPoint_C(altitude)).toThrow(DomainError);
	});
});
