/** The places, in the order of the work; only those that exist. */
export const places = [
	{ href: '/basket', name: 'Basket', key: 'b' },
	{ href: '/ways', name: 'Ways', key: 'w' },
	{ href: '/stove', name: 'Stove', key: 's' },
	{ href: '/shelves', name: 'Shelves', key: 'h' },
	{ href: '/supper', name: 'Supper', key: 'u' },
	{ href: '/book', name: 'Book', key: 'o' },
	{ href: '/tables', name: 'Tables', key: 't' },
	{ href: '/kitchen', name: 'Kitchen', key: 'k' }
] as const;
