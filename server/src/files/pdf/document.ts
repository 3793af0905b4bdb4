import pdfmake from 'pdfmake';
import type { Content, ContentText, TDocumentDefinitions, TFontDictionary } from 'pdfmake/interfaces';
import { paper } from '@slate-path/core/drawing/palette';
import type { Direction } from '@slate-path/core/formats/visualOrder';
import type { PaperSize } from '@slate-path/core/sharing/papers/sizes';
import { facesInUse, runsOf } from './faces';
import { words } from './text';

pdfmake.setUrlAccessPolicy(() => false);
pdfmake.setLocalAccessPolicy(() => false);

export interface Sheet {
  paper: PaperSize;
  landscape?: boolean;
  /** Of the document: what it is, of whom. */
  title: string;
  school: string;
  /** The day it was made, in words. */
  made: string;
  /** Cards and slips are cut apart: nothing stands beside them. */
  bare?: boolean;
}

/** In points. */
const margin = 48;
const sides: Record<PaperSize, readonly [number, number]> = { A4: [595.28, 841.89], Letter: [612, 792] };

/** How wide the text of a page is, in points. */
export const textWidth = ({ paper: size, landscape = false }: Pick<Sheet, 'paper' | 'landscape'>): number => {
  const [short, long] = sides[size];
  return (landscape ? long : short) - 2 * margin;
};

const small = { size: 8.5, tone: 'inkQuiet' } as const;
const edges: [number, number, number, number] = [margin, 22, margin, 0];

function framed({ title, school, made }: Sheet): Pick<TDocumentDefinitions, 'header' | 'footer'> {
  return {
    header: { margin: edges, columns: [words(school, small), words(title, { ...small, align: 'right' })] },
    footer: (page, pages) => footer(made, `Page ${page} of ${pages}`),
  };
}

const footer = (made: string, page: string): Content => ({
  margin: [margin, 14, margin, 0],
  columns: [words(made, small), words(page, { ...small, align: 'right' })],
});

function sectionOf(sheet: Sheet, { title, content }: Part): Content {
  let first: number | undefined;
  return {
    section: content,
    header: framed({ ...sheet, title }).header,
    footer: (page: number) => {
      first ??= page;
      return footer(sheet.made, `Page ${page - first + 1}`);
    },
  };
}

const isParts = (content: Content[] | readonly Part[]): content is readonly Part[] =>
  content.some((one) => typeof one === 'object' && 'title' in one);

interface VirtualFiles {
  existsSync(name: string): boolean;
  writeFileSync(name: string, bytes: Buffer): void;
}
/** The package's types leave it out. */
const { virtualfs } = pdfmake as unknown as { virtualfs: VirtualFiles };

/** Typefaces as files that lie in memory only: nothing else can be read by a document. */
function offerFaces(): void {
  const fonts: TFontDictionary = {};
  for (const { name, normal, bold } of facesInUse()) {
    const files = { normal: `${name}/normal`, bold: `${name}/bold` };
    fonts[name] = files;
    if (virtualfs.existsSync(files.normal)) continue;
    virtualfs.writeFileSync(files.normal, normal());
    virtualfs.writeFileSync(files.bold, bold());
  }
  pdfmake.setFonts(fonts);
}

/** Parts of a document that are read apart from each other: each has its own title above, and its own numbers. */
export interface Part {
  title: string;
  content: Content[];
}

/** A PDF of selectable text, with every typeface that it uses embedded and cut down to the letters used. */
export async function pdfOf(sheet: Sheet, content: Content[] | readonly Part[]): Promise<Uint8Array> {
  const [usual] = runsOf('a');
  if (!usual) throw new Error('The typeface of documents is not installed.');
  const edge = sheet.bare ? 24 : margin;
  const definition: TDocumentDefinitions = {
    pageSize: sheet.paper === 'A4' ? 'A4' : 'LETTER',
    pageOrientation: sheet.landscape ? 'landscape' : 'portrait',
    pageMargins: [edge, sheet.bare ? edge : 52, edge, sheet.bare ? edge : 48],
    info: { title: sheet.title, author: sheet.school, creator: 'Slate Path' },
    defaultStyle: { font: usual.face.name, fontSize: 10.5, color: paper.ink, lineHeight: 1.25 },
    displayTitle: true,
    content: isParts(content) ? content.map((part) => sectionOf(sheet, part)) : content,
    ...(sheet.bare || isParts(content) ? {} : framed(sheet)),
  };
  // Footers are made during the layout, when no typeface can be added any more: theirs are looked up here.
  words(`${sheet.made} Page of 0123456789`);
  offerFaces();
  return new Uint8Array(await pdfmake.createPdf(definition).getBuffer());
}

export const heading = (text: string, level: 1 | 2, direction?: Direction): ContentText =>
  level === 1
    ? { ...words(text, { size: 20, title: true, direction }), lineHeight: 1.1 }
    : words(text, { size: 12, bold: true, margin: [0, 14, 0, 4], direction });

export const rule = (width: number): Content => ({
  canvas: [{ type: 'line', x1: 0, y1: 0, x2: width, y2: 0, lineWidth: 0.5, lineColor: paper.line }],
  margin: [0, 8, 0, 0],
});
