import { escaped } from '../../../formats/html';
import { classPartsOf } from '../classParts';
import type { ClassOnPage, PageFacts, StudentOnPage } from '../onPage';
import type { Block, PagePart } from '../block';
import { partsOf } from '../parts';

/** A block as HTML. */
function html(block: Block): string {
  switch (block.kind) {
    case 'quiet':
      return `<p class="quiet">${escaped(block.text)}</p>`;
    case 'strong':
      return `<p><strong>${escaped(block.text)}</strong></p>`;
    case 'text':
      return `<p class="text">${escaped(block.text)}</p>`;
    case 'picture':
      return block.svg;
    case 'figures':
      return `<dl>${block.pairs.map(([name, value]) => `<div><dt>${escaped(name)}</dt><dd>${value}</dd></div>`).join('')}</dl>`;
    case 'pieces':
      return `<ul>${block.lines.map(({ title, status, about }) => `<li>${escaped(title)}: <strong>${escaped(status)}</strong>${about === '' ? '' : ` <span class="quiet">${escaped(about)}</span>`}</li>`).join('')}</ul>`;
    case 'dated':
      return `<ul>${block.lines.map(({ day, text }) => `<li><span class="quiet">${escaped(day)}</span><div class="text">${escaped(text)}</div></li>`).join('')}</ul>`;
    case 'sessions':
      return '';
  }
}

/** A part under its heading. @param level of that */
export const partHtml = ({ title, blocks }: PagePart, level: 2 | 3): string =>
  `<section><h${level}>${escaped(title)}</h${level}>${blocks.map(html).join('')}</section>`;

/** All parts of one student that were chosen, as HTML. @param level of their headings */
export function studentParts(
  student: StudentOnPage,
  page: Pick<PageFacts, 'language' | 'levels'>,
  level: 2 | 3,
): string {
  return partsOf(student, page)
    .map((part) => partHtml(part, level))
    .join('');
}

/** All parts of a class as a whole that were chosen, as HTML. */
export const classParts = (section: ClassOnPage, page: Pick<PageFacts, 'language' | 'levels'>): string =>
  classPartsOf(section, page)
    .map((part) => partHtml(part, 2))
    .join('');
