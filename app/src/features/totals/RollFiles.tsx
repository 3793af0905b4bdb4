import Download from 'lucide-react-native/icons/download';
import Printer from 'lucide-react-native/icons/printer';
import type { NameOrder } from '@slate-path/core/people/names';
import { Action } from '../../parts/Action';
import { rollFileAddress, type Span } from './rollFileAddress';

interface RollFilesProps {
  sectionId: string;
  span: Span;
  order: NameOrder;
}

/** A class's roll over some days, lesson by lesson, to keep or to print. */
export function RollFiles({ sectionId, span, order }: RollFilesProps) {
  const give = (format: 'csv' | 'xlsx') => () => {
    location.assign(rollFileAddress(sectionId, span, format, order));
  };
  return (
    <>
      <Action label="CSV" name="Save lesson by lesson as CSV" icon={Download} onPress={give('csv')} />
      <Action label="XLSX" name="Save lesson by lesson as XLSX" icon={Download} onPress={give('xlsx')} />
      <Action
        label="Print"
        icon={Printer}
        onPress={() => {
          window.open(rollFileAddress(sectionId, span, 'html', order), '_blank', 'noopener');
        }}
      />
    </>
  );
}
