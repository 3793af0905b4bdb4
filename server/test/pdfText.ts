import { execFileSync } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';

function read(program: string, pdf: Uint8Array, args: string[]): string {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'pdf-'));
  const file = path.join(folder, 'read.pdf');
  try {
    fs.writeFileSync(file, pdf);
    return execFileSync(
      program,
      args.map((arg) => (arg === 'FILE' ? file : arg)),
      { encoding: 'utf8' },
    );
  } finally {
    fs.rmSync(folder, { recursive: true });
  }
}

/** The text of a PDF as another program reads it. */
export const textOfPdf = (pdf: Uint8Array): string => read('pdftotext', pdf, ['-layout', 'FILE', '-']);

/** Each typeface of a PDF: its name, whether it is embedded, and whether it is cut down. */
export function facesOfPdf(pdf: Uint8Array): { name: string; embedded: boolean; subset: boolean }[] {
  const lines = read('pdffonts', pdf, ['FILE']).split('\n').slice(2).filter(Boolean);
  return lines.map((line) => {
    const [embedded, subset] = line.trim().split(/\s+/).slice(-5);
    return { name: line.split(/\s/)[0] ?? '', embedded: embedded === 'yes', subset: subset === 'yes' };
  });
}

export const sheetsOfPdf = (pdf: Uint8Array): { pages: number; size: string } => {
  const about = read('pdfinfo', pdf, ['FILE']);
  const of = (name: string) => new RegExp(`^${name}:\\s+(.*)$`, 'm').exec(about)?.[1] ?? '';
  return { pages: Number(of('Pages')), size: of('Page size') };
};
