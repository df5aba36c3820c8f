import { scaleLinear, scaleLog } from 'd3-scale';
import { line } from 'd3-shape';

/** A plot for docs/models: lines, dots or steps over two axes, as SVG text. Grey, so that it reads in print and in the dark. */
export interface Plot {
	readonly title: string;
	readonly x: string;
	readonly y: string;
	readonly log?: boolean;
	readonly lines?: readonly {
		readonly name: string;
		readonly points: readonly (readonly [number, number])[];
		readonly dash?: string;
	}[];
	readonly dots?: readonly { readonly name: string; readonly points: readonly (readonly [number, number])[] }[];
	/** Spans at a height: a printed range. */
	readonly spans?: readonly {
		readonly at: number;
		readonly from: number;
		readonly to: number;
		readonly name: string;
	}[];
	readonly levels?: readonly { readonly y: number; readonly words: string }[];
}
const [width, height] = [640, 320];
const [left, right, top, bottom] = [62, 190, 34, 44];
const tones = ['#1f4e8c', '#a85a00', '#2f6b3a', '#6b3f8f', '#8a1f2d'];
const plain = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');
const short = (n: number) =>
	n !== 0 && (Math.abs(n) >= 1e4 || Math.abs(n) < 1e-3) ? n.toExponential(0) : String(Number(n.toPrecision(4)));

/** Draws a plot. @throws {Error} nothing to draw */
export function draw(plot: Plot): string {
	const points = [
		...(plot.lines ?? []).flatMap((l) => [...l.points]),
		...(plot.dots ?? []).flatMap((d) => [...d.points]),
		...(plot.spans ?? []).flatMap((s): [number, number][] => [[s.from, s.at], [s.to, s.at]]),
		...(plot.levels ?? []).map((l): [number, number] => [Number.NaN, l.y])
	]; // prettier-ignore
	const xs = points.map((p) => p[0]).filter(Number.isFinite);
	const ys = points.map((p) => p[1]).filter(Number.isFinite);
	if (xs.length === 0 || ys.length === 0) throw new Error(`${plot.title}: nothing to draw`);
	const scale = (values: number[]) =>
		(plot.log ? scaleLog() : scaleLinear()).domain([Math.min(...values), Math.max(...values)]);
	const x = scale(xs).range([left, width - right]);
	const y = scale(ys)
		.nice()
		.range([height - bottom, top]);
	const path = line<readonly [number, number]>().x((p) => x(p[0])).y((p) => y(p[1])); // prettier-ignore
	const parts: string[] = [];
	const text = (px: number, py: number, words: string, more = '') =>
		parts.push(`<text x="${px.toFixed(1)}" y="${py.toFixed(1)}" ${more}>${plain(words)}</text>`);
	// A log axis offers every digit: a few of each ten are kept.
	const some = (ticks: number[]) =>
		plot.log
			? ticks.filter(
					(t) =>
						[1, 2, 5].some((d) => Math.abs(Math.log10(t / d) % 1) < 1e-9) &&
						(ticks.length < 20 || Math.abs(Math.log10(t) % 1) < 1e-9)
				)
			: ticks;
	for (const t of some(y.ticks(5))) {
		parts.push(
			`<line x1="${left}" x2="${width - right}" y1="${y(t).toFixed(1)}" y2="${y(t).toFixed(1)}" stroke="#ccc"/>`
		);
		text(left - 8, y(t) + 4, short(t), 'text-anchor="end"');
	}
	for (const t of some(x.ticks(6))) text(x(t), height - bottom + 18, short(t), 'text-anchor="middle"');
	text(left, 18, plot.title, 'font-weight="700" font-size="15"');
	text(width - right, height - 8, plot.x, 'text-anchor="end"');
	text(8, top - 4, plot.y);
	for (const l of plot.levels ?? []) {
		parts.push(
			`<line x1="${left}" x2="${width - right}" y1="${y(l.y).toFixed(1)}" y2="${y(l.y).toFixed(1)}" stroke="#8a1f2d" stroke-dasharray="4 4"/>`
		);
		text(width - right - 4, y(l.y) - 5, l.words, 'text-anchor="end" fill="#8a1f2d"');
	}
	let row = 0;
	const key = (name: string, mark: string) => {
		const py = top + 10 + 18 * row++;
		parts.push(mark.replaceAll('@', String(py)));
		text(width - right + 44, py + 4, name);
	};
	(plot.spans ?? []).forEach((s) => {
		parts.push(
			`<line x1="${x(s.from).toFixed(1)}" x2="${x(s.to).toFixed(1)}" y1="${y(s.at).toFixed(1)}" y2="${y(s.at).toFixed(1)}" stroke="#999" stroke-width="7"/>`
		);
		text(x(s.to) + 5, y(s.at) + 4, s.name, 'font-size="11"');
	});
	(plot.lines ?? []).forEach((l, i) => {
		const stroke = `stroke="${tones[i % tones.length]}" stroke-width="2" fill="none" stroke-dasharray="${l.dash ?? ''}"`;
		parts.push(`<path d="${path([...l.points])?.replace(/(\.\d)\d+/g, '$1') ?? ''}" ${stroke}/>`);
		key(l.name, `<line x1="${width - right + 12}" x2="${width - right + 38}" y1="@" y2="@" ${stroke}/>`);
	});
	(plot.dots ?? []).forEach((d, i) => {
		const fill = tones[((plot.lines?.length ?? 0) + i) % tones.length];
		for (const [px, py] of d.points)
			parts.push(`<circle cx="${x(px).toFixed(1)}" cy="${y(py).toFixed(1)}" r="3" fill="${fill}"/>`);
		key(d.name, `<circle cx="${width - right + 25}" cy="@" r="3.5" fill="${fill}"/>`);
	});
	return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" font-family="sans-serif" font-size="12" fill="#333" role="img" aria-label="${plain(plot.title)}"><rect width="${width}" height="${height}" fill="#fff"/>${parts.join('')}</svg>\n`;
}
