/** Tables as a person might write them, to begin from: each row is understood as it stands. */
export const examples: Readonly<Record<string, string>> = {
	'example-stock': [
		'what,packs,each,state,place,date,note',
		'green beans,12,500 g,frozen,,2025-08-14,',
		'crushed tomatoes,7,1 quart,canned,,Sep 2025,tested',
		'butternut squash,9,,,,,',
		'"6 × 600 g soup mix (carrots + leeks), frozen",,,,,2025-10-02,for the big pot',
		'beetroot,,14 kg,,,,in sand'
	].join('\r\n'),
	'example-book': [
		'what,packs,each,state,date,in,hours,paid,again,change',
		'green beans,12,500 g,frozen,2024-08-10,7.0 kg,2.5,,yes,',
		'green beans,14,500 g,frozen,2025-08-14,8.1 kg,2.2,,changed,cut them longer',
		'strawberries,10,400 g,frozen,2025-06-20,4.3 kg,1.25,12.50,yes,'
	].join('\r\n')
};
