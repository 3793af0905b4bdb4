import type { ColumnRole } from './columnRoles';
import { tidyName } from './tidyName';

/** What cells alone say of their column; names of one word are told apart afterwards. */
export type ContentRole =
  Extract<ColumnRole, 'name' | 'email' | 'grade' | 'cohort' | 'id' | 'ignored'> | 'one_word';

const nameWord = "\\p{L}[\\p{L}\\p{M}'’ʼ.\\-]*";
const nameShape = new RegExp(`^${nameWord}(?: ${nameWord})*$`, 'u');
const fullNameShape = new RegExp(
  `^${nameWord}(?: ${nameWord})*(?:,| )\\s*${nameWord}(?: ${nameWord})*$`,
  'u',
);
const gradeShape =
  /^((grade|year|yr|class|form|gr|klasse|jahrgang|classe|klas|klasa|trinn|arskurs|luokka)\.? ?)?(1[0-3]|[1-9]|k)(th|st|nd|rd|\.|º|ª|e|eme|ème)?[ -]?[a-f]?$/i;

export const looksLikeEmail = (value: string) => /\S@\S/.test(value);

function share(values: readonly string[], test: (value: string) => boolean): number {
  return values.length === 0 ? 0 : values.filter(test).length / values.length;
}

/** Is a cell shaped as a whole name? */
export const isFullName = (cell: string) => cell.length < 80 && fullNameShape.test(tidyName(cell).name);

/** What a column holds by its cells. */
export function roleOfContent(values: readonly string[]): ContentRole {
  const present = values.filter((value) => value !== '');
  if (present.length === 0) return 'ignored';
  if (share(present, looksLikeEmail) >= 0.5) return 'email';
  if (share(present, (value) => gradeShape.test(value)) >= 0.8) return 'grade';
  if (share(present, (value) => /\d/.test(value) && /^[\w-]{3,}$/.test(value)) >= 0.8)
    return new Set(present).size > present.length * 0.9 ? 'id' : 'cohort';
  if (share(present, isFullName) >= 0.6) return 'name';
  if (share(present, (value) => value.length < 60 && nameShape.test(tidyName(value).name)) >= 0.7)
    return present.length >= 6 && new Set(present).size <= present.length / 3 ? 'cohort' : 'one_word';
  return 'ignored';
}
