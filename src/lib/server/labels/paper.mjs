import { createRequire } from 'node:module';
import pdfmake from 'pdfmake';

/**
 * @typedef {object} Block
 * @property {string} [heading]
 * @property {readonly string[]} [lines] Sentences, each on a line of its own, below the table.
 * @property {boolean} [stop] What must not be done: said in bold with a rule beside it.
 * @property {{ head: readonly string[], rows: readonly (readonly string[])[], wide: number, right?: readonly number[] }} [table]
 * `wide`: the column that takes what room is left; `right`: columns of numbers.
 *
 * @typedef {object} Paper
 * @property {string} title
 * @property {string} under Below the title: of what, when, for which kitchen.
 * @property {readonly { readonly label: string, readonly main: string }[]} large The figures that are read from afar.
 * @property {readonly Block[]} blocks
 * @property {string} foot At the foot of every side, beside its number.
 */

const require = createRequire(import.meta.url);
const font = (/** @type {string} */ weight) =>
	require.resolve(`@expo-google-fonts/atkinson-hyperlegible-next/${weight}/AtkinsonHyperlegibleNext_${weight}.ttf`);
const ours = [font('400Regular'), font('700Bold')];
pdfmake.setFonts({ own: { normal: ours[0], bold: ours[1], italics: ours[0], bolditalics: ours[1] } });
// Nothing is fetched, and of this machine only the letters are read, whatever stands in a text.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((/** @type {string} */ path) => ours.includes(path));

const soft = '#54606b';

/** @param {NonNullable<Block['table']>} table */
function tableOf({ head, rows, wide, right = [] }) {
	const cell = (/** @type {string} */ text, /** @type {number} */ n, bold = false) => ({
		text,
		bold,
		// A number is never broken; words are.
		noWrap: n !== wide,
		alignment: right.includes(n) ? 'right' : 'left'
	});
	return {
		table: {
			headerRows: 1,
			dontBreakRows: true,
			widths: head.map((_, n) => (n === wide ? '*' : 'auto')),
			body: [head.map((h, n) => ({ ...cell(h, n), color: soft })), ...rows.map((r) => r.map((c, n) => cell(c, n)))]
		},
		layout: {
			hLineWidth: (/** @type {number} */ i) => (i === 1 ? 1.5 : i === 0 ? 0 : 0.4),
			vLineWidth: () => 0,
			hLineColor: (/** @type {number} */ i) => (i === 1 ? '#1a2430' : '#b9c0c6')
		}
	};
}

/** @param {Block} block */
function blockOf({ heading, lines = [], stop = false, table }) {
	const content = [
		...(heading ? [{ text: heading, style: 'heading' }] : []),
		...(table && table.rows.length > 0 ? [tableOf(table)] : []),
		...lines.map((text) => ({ text, bold: stop, margin: [stop ? 8 : 0, 2, 0, 1] }))
	];
	// A short one stays together; a long one goes on over the side.
	return { stack: content, unbreakable: (table?.rows.length ?? 0) + lines.length < 12, margin: [0, 6, 0, 0] };
}

/**
 * A document for the wall or the file. Drawn in a thread of its own: see `label-worker.mjs`.
 *
 * @param {Paper} paper
 * @param {'a4' | 'letter'} size
 * @returns {Promise<Uint8Array>} the file
 */
export async function paperOf(paper, size) {
	const pdf = pdfmake.createPdf(
		/** @type {import('pdfmake/interfaces.js').TDocumentDefinitions} */ ({
			pageSize: size === 'letter' ? 'LETTER' : 'A4',
			pageMargins: [42, 42, 42, 50],
			info: { title: paper.title, creator: 'Root Jar', producer: 'Root Jar' },
			defaultStyle: { font: 'own', fontSize: 10, lineHeight: 1.15 },
			styles: { heading: { fontSize: 13, bold: true, margin: [0, 6, 0, 2] } },
			content: [
				{ text: paper.title, fontSize: 24, bold: true },
				{ text: paper.under, color: soft, margin: [0, 0, 0, 6] },
				...(paper.large.length > 0
					? [
							{
								columnGap: 26,
								columns: paper.large.map(({ label, main }) => ({
									width: 'auto',
									stack: [
										{ text: label, color: soft, fontSize: 9 },
										{ text: main, fontSize: 18, bold: true }
									]
								})),
								margin: [0, 4, 0, 4]
							}
						]
					: []),
				...paper.blocks.map(blockOf)
			],
			footer: (/** @type {number} */ now, /** @type {number} */ all) => ({
				columns: [
					{ text: paper.foot, color: soft },
					{ text: `${now} of ${all}`, alignment: 'right', width: 60, color: soft }
				],
				fontSize: 8,
				margin: [42, 12, 42, 0]
			})
		})
	);
	return new Uint8Array(await pdf.getBuffer());
}
