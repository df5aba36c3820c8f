/** Every publication that a number may name. The reader is told to check a recalled figure in their own copy. */
export const sources = {
	nchfpBlanching: {
		title: 'National Center for Home Food Preservation, Freezing: Blanching Vegetables',
		short: 'NCHFP, Blanching Vegetables'
	},
	nchfpFreezing: {
		title: 'National Center for Home Food Preservation, Freezing (and So Easy to Preserve, 6th ed.)',
		short: 'NCHFP, Freezing'
	},
	usdaCanning2015: {
		title: 'USDA Complete Guide to Home Canning, AIB 539, 2015',
		short: 'USDA Guide to Home Canning, 2015'
	},
	usdaFreezingYield: {
		title: 'USDA Home and Garden Bulletin 10, Home Freezing of Fruits and Vegetables, yields',
		short: 'USDA Bulletin 10, yields'
	},
	usdaFoodBuyingGuide: {
		title: 'USDA Food Buying Guide for Child Nutrition Programs, yields as purchased',
		short: 'USDA Food Buying Guide'
	},
	usdaHandbook66: {
		title: 'USDA Agriculture Handbook 66, Commercial Storage of Fruits, Vegetables, and Florist Stocks',
		short: 'USDA Handbook 66'
	},
	foodKeeper: { title: 'USDA FSIS FoodKeeper data', short: 'USDA FoodKeeper' },
	fsis: { title: 'USDA FSIS, Freezing and Food Safety; Keeping Food Safe During an Emergency', short: 'USDA FSIS' },
	fdaPh: { title: 'FDA, Approximate pH of Foods and Food Products', short: 'FDA, pH of foods' },
	ashraeRefrigeration: {
		title: 'ASHRAE Handbook: Refrigeration (SI), Thermal Properties of Foods, Table 3',
		short: 'ASHRAE Refrigeration, Table 3'
	},
	mccance: { title: "McCance and Widdowson's The Composition of Foods", short: 'McCance and Widdowson' },
	isa1976: { title: 'U.S. Standard Atmosphere, 1976', short: 'Standard Atmosphere 1976' },
	iapwsIf97: { title: 'IAPWS Industrial Formulation 1997, region 4', short: 'IAPWS-IF97' },
	practice: { title: 'Common practice, no published source', short: 'common practice' }
} as const;

export type SourceId = keyof typeof sources;
