import Joi from 'joi';
import { jarSizes } from '$reference/canning-rules';
import type { CanChosen } from './can';
import { id, line, weightWithin } from './parse';

const jars = () => Joi.number().integer().min(1).max(200).label('The number of jars');

/** What may be chosen of a day at the canner, in an address or a form. */
export const canAsked = Joi.object<CanChosen>({
	lot: id().required().label('What goes into jars'),
	product: line(80).label('What it becomes'),
	style: Joi.string().valid('hot', 'raw').label('How it is packed'),
	jar: Joi.string()
		.valid(...jarSizes)
		.label('The jar'),
	heat: Joi.string().valid('boiling-water', 'steam', 'pressure').label('The heat'),
	psi: Joi.number().integer().min(1).max(20).label('The pressure'),
	canner: line(60).label('The canner'),
	jars: jars(),
	grams: weightWithin(1, 1_000_000).label('The amount'),
	by: Joi.alternatives(id(), Joi.string().valid('eye')).label('Who reads the gauge'),
	more: line(140).label('What tops it off'),
	moreJars: jars()
});
