import type { Response } from 'express';
import { fileTypes, type FileFormat } from '@slate-path/core/api/endpoint';

/** Says what a file is and what it is called; a page to print is shown, the others are saved. */
export function nameFile(response: Response, name: string, format: FileFormat): void {
  response.type(fileTypes[format]);
  const shown = format === 'html' ? 'inline' : 'attachment';
  response.setHeader('Content-Disposition', `${shown}; filename="${name}.${format}"`);
}
