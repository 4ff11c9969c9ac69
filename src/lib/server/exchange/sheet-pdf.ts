/** A sheet as a PDF: the same data that the page draws. */
import pdfmake, { type Content, type TableCell } from 'pdfmake';
import { createRequire } from 'node:module';
import { dirname, join } from 'node:path';
import type { Block, Cell, List, Sheet, Table } from '../../../core/job/sheet/document.ts';

/** What a sealed sheet carries besides. */
export interface SealMark {
	head: string;
	keyId: string;
	/** Address at which the seal is checked: in the square that a phone reads. */
	address: string;
	signedAt: string;
}

// Wide enough in letters for any name, and it has the signs of the sheet.
const fonts = join(
	dirname(createRequire(import.meta.url).resolve('dejavu-fonts-ttf/package.json')),
	'ttf'
);
const font = (style: string) => join(fonts, `DejaVuSansCondensed${style}.ttf`);

pdfmake.setFonts({
	Sheet: {
		normal: font(''),
		bold: font('-Bold'),
		italics: font('-Oblique'),
		bolditalics: font('-BoldOblique')
	}
});
// Nothing is fetched, and no other file is read.
pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy((path) => path.startsWith(fonts));

const ink = '#1c2321';
const soft = '#55605c';
const line = '#b9c2be';
const tones = { stop: '#8c1c1c', open: '#8a4b00', plain: ink };

/** A page that carries no seal: when it was drawn, and its photos as data URLs by their ids. */
export interface PlainMark {
	drawnAt: string;
	photos: Readonly<Record<string, string>>;
}

export async function sheetPdf(sheet: Sheet, mark: SealMark | PlainMark): Promise<Buffer> {
	const seal = 'head' in mark ? mark : undefined;
	const pictures = 'photos' in mark ? mark.photos : {};
	const definition: Parameters<typeof pdfmake.createPdf>[0] = {
		info: {
			title: `${sheet.title}, ${sheet.facts[0]?.join(' ') ?? ''}`,
			author: sheet.shop,
			creationDate: new Date('head' in mark ? mark.signedAt : mark.drawnAt)
		},
		pageSize: 'A4',
		pageMargins: [36, 36, 36, 44],
		defaultStyle: { font: 'Sheet', fontSize: 8.5, color: ink, lineHeight: 1.15 },
		footer: (page, pages) => ({
			margin: [36, 8, 36, 0],
			fontSize: 7,
			color: soft,
			columns: [
				[sheet.title, sheet.facts[0]?.join(' '), seal && `sealed at ${seal.head.slice(0, 16)}`]
					.filter(Boolean)
					.join(' · '),
				{ text: `Page ${page} of ${pages}`, alignment: 'right', width: 80 }
			]
		}),
		content: [
			head(sheet),
			...sheet.blocks.flatMap((one) => block(one, pictures)),
			...(seal ? [sealed(seal)] : []),
			...(sheet.signatures.length ? [signatures(sheet)] : [])
		]
	};
	return pdfmake.createPdf(definition).getBuffer();
}

const head = ({ shop, title, subtitle, facts }: Sheet): Content => ({
	columns: [
		[{ text: shop, color: soft }, { text: title, fontSize: 20, bold: true }, { text: subtitle }],
		{
			width: 'auto',
			layout: 'noBorders',
			table: {
				body: facts.map(([label, value]) => [
					{ text: label, color: soft, alignment: 'right' },
					{ text: value, alignment: 'right', bold: true }
				])
			}
		}
	],
	margin: [0, 0, 0, 8]
});

function block(one: Block, pictures: PlainMark['photos']): Content[] {
	switch (one.kind) {
		case 'line':
			return [
				{
					text: [one.label ? { text: `${one.label}: `, bold: true } : '', one.text],
					...(one.quiet && { color: soft }),
					margin: [0, 2, 0, 2]
				}
			];
		case 'notice':
			return [
				framed(
					[
						{ text: one.title, bold: true, color: tones[one.tone] },
						...one.lines.map((text) => ({ text }))
					],
					tones[one.tone]
				)
			];
		case 'caution':
			return [title(one.title), ...one.lines.map((text) => ({ text, fontSize: 8 }))];
		case 'lists':
			return pairs(one.lists).map((pair) => ({
				columns: pair.map(list),
				columnGap: 14,
				margin: [0, 4, 0, 2] as [number, number, number, number]
			}));
		case 'table':
			return table(one);
		case 'pictures':
			return [
				title(one.title),
				{ columns: one.pictures.map(({ svg }) => ({ svg, width: 240 })), columnGap: 20 },
				{ text: one.caption, fontSize: 7.5, color: soft }
			];
		case 'photos':
			return [title(one.title), ...pairs(one.photos).map((pair) => photoRow(pair, pictures))];
	}
}

const photoRow = (
	pair: readonly { id: string; caption: string }[],
	pictures: PlainMark['photos']
): Content => ({
	unbreakable: true,
	columnGap: 14,
	margin: [0, 4, 0, 4],
	columns: pair.map(({ id, caption }) => ({
		stack: [
			...(pictures[id] ? [{ image: pictures[id], fit: [250, 190] as [number, number] }] : []),
			{ text: caption, fontSize: 8, color: soft }
		]
	}))
});

const title = (text: string): Content => ({ text, bold: true, fontSize: 11, margin: [0, 8, 0, 2] });

const framed = (stack: Content[], color: string): Content => ({
	margin: [0, 5, 0, 5],
	layout: {
		hLineColor: () => color,
		vLineColor: () => color,
		hLineWidth: () => 1,
		vLineWidth: () => 1
	},
	table: { widths: ['*'], body: [[{ stack }]] }
});

function list({ title: name, items, framed: inFrame }: List): Content {
	const stack: Content[] = [
		{ text: name || ' ', bold: true, fontSize: 10, margin: [0, 0, 0, 1] },
		...items.map((text) => ({ text }))
	];
	return inFrame ? framed(stack, ink) : { stack };
}

/** Two beside each other. */
const pairs = <T>(items: readonly T[]): T[][] =>
	items.flatMap((item, i) => (i % 2 ? [] : [items.slice(i, i + 2) as T[]]));

function table({ title: name, subtitle, columns, rows, notes = [] }: Table): Content[] {
	const align = (i: number) => (columns[i]!.end ? ('right' as const) : ('left' as const));
	return [
		{
			text: [
				{ text: name, bold: true, fontSize: 11 },
				{ text: `  ${subtitle ?? ''}`, color: soft }
			],
			margin: [0, 8, 0, 2]
		},
		{
			layout: {
				hLineWidth: (i) => (i === 0 ? 0 : i === 1 ? 1 : 0.5),
				hLineColor: (i) => (i === 1 ? ink : line),
				vLineWidth: () => 0,
				paddingLeft: () => 2,
				paddingRight: () => 4,
				paddingTop: () => 1.5,
				paddingBottom: () => 1.5
			},
			table: {
				headerRows: 1,
				dontBreakRows: true,
				widths: columns.map(({ wide }) => (wide ? '*' : 'auto')),
				body: [
					columns.map(({ name: text }, i) => ({
						text,
						bold: true,
						fontSize: 8,
						alignment: align(i)
					})),
					...rows.map((row) => row.map((cell, i): TableCell => drawn(cell, align(i))))
				]
			}
		},
		...notes.map((text): Content => ({ text, fontSize: 7.5, color: soft, margin: [0, 2, 0, 0] }))
	];
}

function drawn({ text, note, strong, alert }: Cell, alignment: 'left' | 'right'): TableCell {
	const main = { text, bold: strong ?? alert ?? false, ...(alert && { color: tones.stop }) };
	return note
		? { stack: [main, { text: note, fontSize: 7, color: soft }], alignment }
		: { ...main, alignment };
}

const sealed = ({ head: hash, keyId, address }: SealMark): Content => ({
	unbreakable: true,
	margin: [0, 10, 0, 0],
	columns: [
		{ qr: address, fit: 120, width: 130, eccLevel: 'M' },
		[
			{ text: 'Sealed', bold: true, fontSize: 11 },
			{
				text: 'The square opens the shop’s page of proof: whether this sheet’s record was sealed by this shop, and whether the book is as it was then. No account is needed.'
			},
			{ text: `Head of the book: ${hash}`, fontSize: 7, margin: [0, 3, 0, 0] },
			{ text: `Key ${keyId}, Ed25519`, fontSize: 7 }
		]
	]
});

const signatures = ({ signatures: names }: Sheet): Content => ({
	unbreakable: true,
	margin: [0, 26, 0, 0],
	columnGap: 30,
	columns: names.map((text) => ({
		stack: [
			{ canvas: [{ type: 'line', x1: 0, y1: 0, x2: 240, y2: 0, lineWidth: 0.7 }] },
			{ text, margin: [0, 2, 0, 0] as [number, number, number, number] }
		]
	}))
});
