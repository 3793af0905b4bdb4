import type { ReactNode } from 'react';
import type { NameOrder } from '@slate-path/core/people/names';
import type { FileFormat } from '@slate-path/core/api/endpoint';
import { usePaperSize } from '../../../files/paperSize';
import { useGiveFile } from '../../../files/useGiveFile';
import type { Group } from '../../../parts/Groups';
import { rollFileAddress, type Span } from './rollFileAddress';

/** A class's roll over some days, lesson by lesson, to keep or to print: what stands behind the dots. */
export function useRollFiles(
  sectionId: string,
  span: Span,
  order: NameOrder,
): { group: Group; sheet: ReactNode } {
  const { give, sheet } = useGiveFile();
  const paper = usePaperSize();
  const item = (label: string, format: FileFormat, note?: string) => ({
    label,
    note,
    onPress: () => {
      give(rollFileAddress(sectionId, span, format, order, paper), format === 'html');
    },
  });
  return {
    group: {
      title: 'These lessons as a file',
      items: [
        item('Save lesson by lesson as CSV', 'csv'),
        item('Save lesson by lesson as XLSX', 'xlsx'),
        item('Save as PDF', 'pdf', `On ${paper} paper, a student a line`),
        item('Print', 'html', 'A page of its own, a student a line'),
      ],
    },
    sheet,
  };
}
