import { figureById } from './freeze-look-up';

/**
 * Hours that a shut freezer keeps its stock without power, full and half full, as printed.
 *
 * @source USDA FSIS, Keeping Food Safe During an Emergency (rows freeze/outage-full and freeze/outage-half, from memory)
 */
export const publishedOutage = {
	full_h: Number(figureById('freeze/outage-full').value),
	half_h: Number(figureById('freeze/outage-half').value)
} as const;
