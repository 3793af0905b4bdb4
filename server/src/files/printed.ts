import { escaped } from '@slate-path/core/formats/html';
import type { TableCell } from '@slate-path/core/attendance/roll/rollTable';

const printStyle =
  '@page{size:A4 landscape;margin:10mm}body{font:10pt/1.35 system-ui,sans-serif;color:#111;margin:16px}' +
  'h1{font-size:14pt;margin:0 0 4pt}table{border-collapse:collapse;margin-bottom:12pt}thead{display:table-header-group}' +
  'th,td{border-bottom:.5pt solid #999;padding:2pt 4pt;text-align:left;white-space:nowrap;font-variant-numeric:tabular-nums}' +
  'th{white-space:normal;vertical-align:bottom;font-weight:600}tr{break-inside:avoid}section{break-after:page}';

/** How the text of a column is set: as it is wide, broken into lines, or with its own line breaks. */
type Setting = 'plain' | 'wrapped' | 'as written';
const styles: Record<Setting, string> = {
  plain: '',
  wrapped: ' style="white-space:normal"',
  'as written': ' style="white-space:pre-wrap"',
};

/** A table to be printed, the first row as its heading. @param settingOf by the place of a column */
export function printedTable(
  [heading = [], ...lines]: readonly (readonly (TableCell | undefined)[])[],
  settingOf: (column: number) => Setting = () => 'plain',
): string {
  const row = (cells: readonly (TableCell | undefined)[], tag: 'td' | 'th') =>
    `<tr>${cells.map((cell, column) => `<${tag}${styles[settingOf(column)]}>${escaped(String(cell ?? ''))}</${tag}>`).join('')}</tr>`;
  return `<table><thead>${row(heading, 'th')}</thead><tbody>${lines.map((line) => row(line, 'td')).join('')}</tbody></table>`;
}

/** A page to be printed, black on white. @param body safe HTML */
export function printedPage(title: string, body: string): string {
  return (
    `<!doctype html><html lang="en"><meta charset="utf-8"><title>${escaped(title)}</title>` +
    `<style>${printStyle}</style><body>${body}</body></html>`
  );
}
