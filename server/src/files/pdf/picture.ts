import type { Content } from 'pdfmake/interfaces';
import { unescapedHtml } from '@slate-path/core/formats/html';
import { ascentOf, widthOf, words } from './text';

const attribute = (tag: string, name: string) => new RegExp(` ${name}="([^"]*)"`).exec(tag)?.[1] ?? '';
const moved = { start: 0, middle: 0.5, end: 1 } as const;

/**
 * A picture of `core/src/drawing`’s making. What is written in it is set as the text around it is, so that letters of
 * every script find their typeface.
 * @param width in points
 */
export function picture(svg: string, width: number): Content {
  const wide = Number(attribute(svg, 'viewBox').split(' ')[2]);
  const scale = width / wide;
  const labels = [...svg.matchAll(/<text([^>]*)>([^<]*)<\/text>/g)].map(
    ([, tag = '', inside = '']): Content => {
      const text = unescapedHtml(inside);
      const size = Number(attribute(tag, 'font-size')) * scale;
      const anchor = attribute(tag, 'text-anchor') as keyof typeof moved;
      const x = Number(attribute(tag, 'x')) * scale - moved[anchor] * widthOf(text, size);
      const y = Number(attribute(tag, 'y')) * scale - ascentOf(text) * size;
      return {
        ...words(text, { size, tone: 'inkQuiet', align: 'left' }),
        noWrap: true,
        relativePosition: { x, y },
      };
    },
  );
  const lines = svg.replace(/<text[^>]*>[^<]*<\/text>/g, '');
  return { stack: [...labels, { svg: lines, width }], margin: [0, 4, 0, 2] };
}
