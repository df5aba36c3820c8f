import { admitted } from '$core/things/admitted';
import { readLine } from '$core/things/read-line';
import { mustBeIdentified } from '$core/things/thing';

/** A reading as scripts get it. Days are not read: the endpoint has no clock, so they are asked for as any word. */
export function understandAnswer(line: string, cups: 'us' | 'metric') {
	const reading = admitted(readLine(line, { own: [], metricCups: cups === 'metric' }));
	switch (reading.kind) {
		case 'understood': {
			const { thing, grams, counted, place, note, because } = reading;
			return {
				kind: reading.kind,
				line,
				food: thing.food.id,
				food_kind: thing.kind?.id ?? null,
				called: thing.called,
				form: thing.form,
				state: thing.state,
				condition: thing.condition,
				must_be_identified: mustBeIdentified(thing) && thing.identified !== true,
				grams,
				counted: counted ?? null,
				place: place ?? null,
				note,
				because
			};
		}
		case 'asked':
			return { kind: reading.kind, line, question: reading.question, choices: reading.choices };
		case 'refused': {
			const { rule, reason, source, instead } = reading.refusal;
			return { kind: reading.kind, line, rule: rule ?? null, reason, source, instead };
		}
		case 'weigh-once':
			return {
				kind: 'unclear' as const,
				line,
				code: 'OWN_MEASURE',
				message: `"${reading.measure}" is a measure of a household's own: say it in kg or lb.`,
				near: []
			};
		case 'unclear':
			return { kind: reading.kind, line, code: reading.code, message: reading.message, near: reading.near };
	}
}
