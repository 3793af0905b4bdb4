/** The sheets that printers in schools take. */
export const paperSizes = ['A4', 'Letter'] as const;
export type PaperSize = (typeof paperSizes)[number];
