import { productByName } from '../canning/products';
import type { Refusal } from '../errors';
import { sources } from '../../reference/sources';
import { advise } from '../safety/advise';
import { adviseProduct } from '../safety/can';
import { gate } from '../safety/gate';
import type { Advice, Question } from '../safety/question';
import { refuse } from '../safety/refuse';
import { meaningOf } from './names';
import type { Thing } from './thing';
import { nearNames, understand, type AskedReading } from './understand';
import { nameKey } from './words';

/** A name that has to be asked, as a refusal that carries its question. */
export const askedAs = (asked: AskedReading): Refusal => ({
	kind: 'refused',
	rule: 'asked',
	reason: `${asked.question.replace(/[?.]?$/, '')}: it is asked, never assumed.`,
	source: sources.practice.title,
	instead: asked.choices.map((c) => `Ask for ${c.text}`),
	asks: { question: asked.question, choices: asked.choices }
});

/**
 * The door for names: resolves what a script or a page calls a food, then asks the safety room.
 *
 * A state or condition that is given beside the name adds to what the name itself says, and never takes it back.
 */
export function askByName(question: Question): Advice {
	const { way, food: text, state, condition, identified, ...terms } = question;
	const named = understand(text);
	const said = (thing: Thing): Thing => ({
		...thing,
		state: thing.state === 'fresh' || thing.state === 'prepared' ? (state ?? thing.state) : thing.state,
		condition: condition ?? thing.condition,
		...(identified === undefined ? {} : { identified })
	});
	const product = way === 'can' ? productByName(text) : undefined;
	if (product) {
		if (named.kind === 'asked' && meaningOf(nameKey(text))?.kind === 'asked') return askedAs(named);
		// "Applesauce" is the tested product, made of fresh apples: not the bowl of it that stands in the fridge.
		if (named.kind !== 'thing' || !product.foods.includes(named.thing.food.id)) return adviseProduct(product, terms);
		const thing = said(named.thing);
		return gate({ ...terms, way, thing, product: product.product }) ?? adviseProduct(product, { ...terms, thing });
	}
	switch (named.kind) {
		case 'thing':
			return advise(said(named.thing), way, terms);
		case 'asked':
			return askedAs(named);
		case 'refused':
			return named.refusal;
		case 'unknown': {
			if (named.asked) return askedAs(named.asked);
			const near = nearNames(text).map((n) => n.name);
			return refuse('unknown-food', near.length > 0 ? { first: [`Ask for ${near.join(' or ')}`] } : {});
		}
	}
}
