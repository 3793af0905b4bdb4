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

interface Box {
  x: number;
  y: number;
  width: number;
  height: number;
}

/** The boxes that are drawn on the pages of a PDF, as another program (poppler) reads them, in millimetres. */
export function boxesOfPdf(pdf: Uint8Array): Box[] {
  const pages = sheetsOfPdf(pdf).pages;
  return Array.from({ length: pages }, (_, at) => at + 1).flatMap((page) => {
    const svg = read('pdftocairo', pdf, ['-svg', '-f', String(page), '-l', String(page), 'FILE', '-']);
    const shape =
      /<path[^>]*?\bd="M ([\d.]+) ([\d.]+) L ([\d.]+) ([\d.]+) L ([\d.]+) ([\d.]+) L ([\d.]+) ([\d.]+) Z[^"]*"[^>]*?(?:transform="matrix\(([^)]+)\)")?[^>]*>/g;
    return [...svg.matchAll(shape)].map(([, ...numbers]): Box => {
      const points = numbers.slice(0, 8).map(Number);
      const [a = 1, , , d = 1, e = 0, f = 0] = (numbers[8] ?? '').split(',').map(Number);
      const xs = [0, 2, 4, 6].map((place) => (points[place] ?? 0) * (a || 1) + e);
      const ys = [1, 3, 5, 7].map((place) => (points[place] ?? 0) * d + f);
      const mm = (value: number) => (value * 25.4) / 72;
      const [x, y] = [Math.min(...xs), Math.min(...ys)];
      return { x: mm(x), y: mm(y), width: mm(Math.max(...xs) - x), height: mm(Math.max(...ys) - y) };
    });
  });
}
