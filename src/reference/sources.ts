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
	soEasy: {
		title: 'So Easy to Preserve, 6th edition, University of Georgia Cooperative Extension',
		short: 'So Easy to Preserve'
	},
	nchfpDrying: {
		title: 'National Center for Home Food Preservation, Drying; Jerky',
		short: 'NCHFP, Drying'
	},
	nchfpStoring: {
		title: 'National Center for Home Food Preservation, Storing: vacuum packaging; garlic and herbs in oil',
		short: 'NCHFP, Storing'
	},
	fsisJerky: { title: 'USDA FSIS, Jerky and Food Safety', short: 'USDA FSIS, Jerky' },
	fsisTemperatures: {
		title: 'USDA FSIS, Safe Minimum Internal Temperature Chart; Cold Food Storage Chart',
		short: 'USDA FSIS, temperatures and cold storage'
	},
	foodCode2022: { title: 'FDA Food Code 2022, 3-401.11, 3-501.14', short: 'FDA Food Code 2022' },
	extensionOxygen: {
		title: 'Utah State University Extension, Storing dry foods with oxygen absorbers',
		short: 'Utah State University Extension'
	},
	usdaSr: { title: 'USDA National Nutrient Database for Standard Reference, Legacy', short: 'USDA SR Legacy' },
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
	usdaHandbook102: {
		title: 'USDA Agriculture Handbook 102, Food Yields Summarized by Different Stages of Preparation',
		short: 'USDA Handbook 102'
	},
	usdaHandbook8: {
		title: 'USDA Agriculture Handbook 8, Composition of Foods, sections on refuse and on poultry (8-5)',
		short: 'USDA Handbook 8'
	},
	seaGrantYields: {
		title: 'Alaska Sea Grant, Recoveries and Yields from Pacific Fish and Shellfish',
		short: 'Sea Grant, fish yields'
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
	ugaDrying: {
		title:
			'University of Georgia Cooperative Extension, Preserving Food: Drying Fruits and Vegetables (as in So Easy to Preserve, 6th ed.)',
		short: 'UGA, Drying Fruits and Vegetables'
	},
	nchfpRehydrating: {
		title: 'National Center for Home Food Preservation, Packaging, Storing and Rehydrating Dried Foods',
		short: 'NCHFP, Rehydrating'
	},
	extensionDrying: { title: 'Extension drying bulletins, yields and pasteurising', short: 'Extension, drying' },
	nchfpHeadspace: {
		title: 'National Center for Home Food Preservation, Headspace to Allow Between Packed Food and Closure',
		short: 'NCHFP, Headspace for freezing'
	},
	nchfpSyrup: {
		title: 'National Center for Home Food Preservation, Freezing Fruit: syrups',
		short: 'NCHFP, Syrups for freezing'
	},
	nchfpJam: {
		title: 'National Center for Home Food Preservation, Making Jams and Jellies: uncooked jams, storage',
		short: 'NCHFP, Jams and Jellies'
	},
	pectinLeaflet: { title: 'Leaflet in a box of pectin, general form', short: 'pectin leaflet' },
	nchfpVinegar: { title: 'National Center for Home Food Preservation, Flavored Vinegars', short: 'NCHFP, Vinegars' },
	coldStorage: { title: 'FoodSafety.gov, Cold Food Storage Chart', short: 'FoodSafety.gov, cold storage' },
	fsisThaw: { title: 'USDA FSIS, The Big Thaw', short: 'USDA FSIS, thawing' },
	fsisAppendixB: {
		title: 'USDA FSIS, Appendix B: stabilization of cooked meat and poultry',
		short: 'USDA FSIS, Appendix B'
	},
	cfrTrichinae: { title: '9 CFR 318.10, treatment of pork to destroy trichinae', short: '9 CFR 318.10' },
	cfrPoultry: { title: '9 CFR 381.66, chilling of poultry', short: '9 CFR 381.66' },
	extensionCarcass: {
		title: 'Extension carcass yield bulletins (Oklahoma State, South Dakota State, Penn State, Nebraska)',
		short: 'Extension, carcass yields'
	},
	extensionFreezeDry: {
		title: 'Extension sheets on freeze-drying at home (Utah State University)',
		short: 'Extension, freeze-drying'
	},
	fdaFish: { title: 'FDA, Fish and Fishery Products Hazards and Controls Guidance', short: 'FDA, fish hazards' },
	fdaActivity: { title: 'FDA, Water Activity in Foods, technical guide', short: 'FDA, water activity' },
	practice: { title: 'Common practice, no published source', short: 'common practice' }
} as const;

export type SourceId = keyof typeof sources;
