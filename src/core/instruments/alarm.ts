import { freezerModel } from '../../reference/model-rules';

/** What an instrument watches by itself, beside what hands do with it. */
export const watches = ['nothing', 'freezer', 'basin', 'dryer'] as const;
export type Watch = (typeof watches)[number];

export interface Alarm {
	/** Since when it has been so, ms. */
	readonly since: number;
	readonly value_C: number;
	readonly words: string;
}

interface Rule {
	/** Beyond it, °C; above where `over`, else below. */
	readonly at_C: number;
	readonly over: boolean;
	/** It must be so for as long: a door that is opened is none, s. */
	readonly for_s: number;
	readonly words: string;
}

/**
 * Freezer above −12 °C, basin above 15 °C (60 °F), dryer no warmer than a room: common practice, and the published warmth of
 * the ice (NCHFP, from memory).
 */
const rules: Readonly<Record<Exclude<Watch, 'nothing'>, Rule>> = {
	freezer: {
		at_C: freezerModel.oldWarmest_C.value,
		over: true,
		for_s: 600,
		words: 'too warm: is its door shut, is it on?'
	},
	basin: { at_C: 15, over: true, for_s: 30, words: 'too warm to chill: more ice, or fresh cold water' },
	dryer: { at_C: 32, over: false, for_s: 600, words: 'cold: is the dryer on?' }
};

/** Whether a value lies beyond what is watched for. */
export function beyond(watch: Watch, value: number): boolean {
	if (watch === 'nothing') return false;
	const { at_C, over } = rules[watch];
	return over ? value > at_C : value < at_C;
}

/** Whether an instrument rings that has read beyond its mark without a break since then, ms; it must be so for long enough. */
export function alarmAt(
	watch: Watch,
	since: number | undefined,
	value_C: number | undefined,
	now: number
): Alarm | undefined {
	if (watch === 'nothing' || since === undefined) return undefined;
	const { for_s, words, at_C } = rules[watch];
	return now - since < for_s * 1000 ? undefined : { since, value_C: value_C ?? at_C, words };
}
