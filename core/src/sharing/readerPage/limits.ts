/** What a reader is to the student. */
export const readerRelations = ['home', 'head', 'counsellor', 'specialist', 'other'] as const;
export type ReaderRelation = (typeof readerRelations)[number];

/** So many students may stand on one page. */
export const mostOnPage = 12;
/** Of fewer students than these nothing is told without names: one could guess who is meant. */
export const fewestUnnamed = 5;
/** So long a page is open unless somebody says otherwise, and at most, in days. */
export const usualDays = 14;
export const mostDays = 366;
/** So many characters of what a reader writes back are taken. */
export const mostWrittenBack = 2000;
