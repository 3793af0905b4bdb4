import type { ReactNode } from 'react';
import type { NameOrder } from '@slate-path/core/people/names';
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
  const item = (label: string, format: 'csv' | 'xlsx' | 'html', note?: string) => ({
    label,
    note,
    onPress: () => {
      give(rollFileAddress(sectionId, span, format, order), format === 'html');
    },
  });
  return {
    group: {
      title: 'These lessons as a file',
      items: [
        item('Save lesson by lesson as CSV', 'csv'),
        item('Save lesson by lesson as XLSX', 'xlsx'),
        item('Print', 'html', 'A page of its own, a student a line'),
      ],
    },
    sheet,
  };
}
