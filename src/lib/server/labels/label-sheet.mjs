import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import fontkit from '@pdf-lib/fontkit';
import { PDFDocument, rgb } from 'pdf-lib';
import qrcode from 'qrcode';

/**
 * @typedef {object} Label
 * @property {string} title
 * @property {string} amount "500 g": the amount as the household says it.
 * @property {string} packed
 * @property {string} useFirst
 * @property {string} use
 * @property {string} code
 * @property {string} url What the QR code opens.
 *
 * @typedef {import('pdf-lib').PDFFont} PDFFont
 */

const require = createRequire(import.meta.url);
const fontFile = (/** @type {string} */ weight) =>
	readFile(
		require.resolve(`@expo-google-fonts/atkinson-hyperlegible-next/${weight}/AtkinsonHyperlegibleNext_${weight}.ttf`)
	);

const mm = 72 / 25.4;
/** Three by eight on A4 or US Letter, with room for a printer's margin: cut apart or on label paper. */
export const sheets = {
	a4: { width: 210 * mm, height: 297 * mm, columns: 3, rows: 8, label: { width: 63.5 * mm, height: 33.9 * mm } },
	letter: { width: 215.9 * mm, height: 279.4 * mm, columns: 3, rows: 8, label: { width: 66 * mm, height: 32 * mm } }
};

/**
 * A PDF of labels, 24 to the sheet. Drawn in a thread of its own: see `label-worker.mjs`.
 *
 * @param {readonly Label[]} labels one for each pack, 1 to 500
 * @param {keyof typeof sheets} paper
 * @returns {Promise<Uint8Array>} the file
 */
export async function labelSheet(labels, paper) {
	const sheet = sheets[paper];
	const pdf = await PDFDocument.create();
	pdf.registerFontkit(fontkit);
	pdf.setTitle('Root Jar labels');
	const regular = await pdf.embedFont(await fontFile('400Regular'), { subset: true });
	const bold = await pdf.embedFont(await fontFile('700Bold'), { subset: true });
	/**
	 * Each label is drawn once and laid wherever it is wanted: two hundred of a kind cost little more than one.
	 * @type {Map<string, import('pdf-lib').PDFEmbeddedPage>}
	 */
	const drawn = new Map();
	/** @type {Map<string, import('pdf-lib').PDFImage>} */
	const codes = new Map();
	const perSheet = sheet.columns * sheet.rows;
	const left = (sheet.width - sheet.columns * sheet.label.width) / 2;
	const top = (sheet.height - sheet.rows * sheet.label.height) / 2;
	/** @type {import('pdf-lib').PDFPage | undefined} */
	let page;
	for (const [i, label] of labels.entries()) {
		const n = i % perSheet;
		if (n === 0) {
			page = pdf.addPage([sheet.width, sheet.height]);
		}
		let image = codes.get(label.url);
		if (!image) {
			// The quiet zone of four modules is part of the picture: some readers lose a code without it.
			image = await pdf.embedPng(await qrcode.toBuffer(label.url, { margin: 4, scale: 6, errorCorrectionLevel: 'M' }));
			codes.set(label.url, image);
		}
		const x = left + (n % sheet.columns) * sheet.label.width;
		const y = sheet.height - top - (Math.floor(n / sheet.columns) + 1) * sheet.label.height;
		const kind = JSON.stringify(label);
		let one = drawn.get(kind);
		if (!one) {
			const alone = pdf.addPage([sheet.label.width, sheet.label.height]);
			drawLabel(alone, label, { x: 0, y: 0, ...sheet.label }, image, regular, bold);
			one = await pdf.embedPage(alone);
			await one.embed();
			pdf.removePage(pdf.getPageCount() - 1);
			drawn.set(kind, one);
		}
		page?.drawPage(one, { x, y });
	}
	return pdf.save();
}

/**
 * @param {import('pdf-lib').PDFPage} page
 * @param {Label} label
 * @param {{ x: number, y: number, width: number, height: number }} box
 * @param {import('pdf-lib').PDFImage} qr
 * @param {PDFFont} regular
 * @param {PDFFont} bold
 */
function drawLabel(page, label, box, qr, regular, bold) {
	const ink = rgb(0.1, 0.14, 0.19);
	const pad = 2.5 * mm;
	page.drawRectangle({ ...box, borderWidth: 0.3, borderColor: rgb(0.75, 0.75, 0.75) });
	const side = 21 * mm;
	page.drawImage(qr, { x: box.x + box.width - side, y: box.y + box.height - side, width: side, height: side });
	const textWidth = box.width - side - pad;
	let y = box.y + box.height - pad - 9;
	for (const row of wrap(label.title, bold, 10.5, textWidth).slice(0, 2)) {
		page.drawText(row, { x: box.x + pad, y, size: 10.5, font: bold, color: ink });
		y -= 11.5;
	}
	page.drawText(label.amount, { x: box.x + pad, y: y - 2, size: 12, font: bold, color: ink });
	y -= 15;
	page.drawText(`packed ${label.packed}`, { x: box.x + pad, y, size: 8, font: regular, color: ink });
	y -= 10;
	page.drawText(`use first by ${label.useFirst}`, { x: box.x + pad, y, size: 8, font: bold, color: ink });
	page.drawText(label.code, {
		x: box.x + box.width - side + 2.6 * mm,
		y: box.y + box.height - side - 4,
		size: 9,
		font: bold,
		color: ink
	});
	let low = Math.min(y - 10.5, box.y + 22);
	for (const row of wrap(label.use, regular, 6.8, box.width - 2 * pad).slice(0, 2)) {
		page.drawText(row, { x: box.x + pad, y: low, size: 6.8, font: regular, color: ink });
		low -= 8;
	}
}

/**
 * Breaks a text into lines no wider than the box; a long word is cut.
 *
 * @param {string} text @param {Pick<PDFFont, 'widthOfTextAtSize'>} font @param {number} size @param {number} width
 * @returns {string[]}
 */
export function wrap(text, font, size, width) {
	/** @type {string[]} */
	const lines = [];
	let current = '';
	for (const word of text.split(/\s+/).filter(Boolean)) {
		const next = current ? `${current} ${word}` : word;
		if (font.widthOfTextAtSize(next, size) <= width || !current) current = next;
		else {
			lines.push(current);
			current = word;
		}
	}
	if (current) lines.push(current);
	return lines;
}
