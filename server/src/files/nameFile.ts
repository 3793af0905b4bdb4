import type { Response } from 'express';
import { z } from 'zod';

/** What a route says that answers with a file. */
export const fileAnswer = {
  answer: z.custom<Uint8Array>((bytes) => bytes instanceof Uint8Array),
  answersWith: 'a file',
};

/** What the files that are given out say they are. */
const fileTypes = {
  csv: 'text/csv; charset=utf-8',
  xlsx: 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
  html: 'text/html; charset=utf-8',
};

/** Says what a file is and what it is called; a page to print is shown, the others are saved. */
export function nameFile(response: Response, name: string, format: keyof typeof fileTypes): void {
  response.type(fileTypes[format]);
  const shown = format === 'html' ? 'inline' : 'attachment';
  response.setHeader('Content-Disposition', `${shown}; filename="${name}.${format}"`);
}
