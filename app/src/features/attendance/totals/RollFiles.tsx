import Download from 'lucide-react-native/icons/download';
import Printer from 'lucide-react-native/icons/printer';
import type { NameOrder } from '@slate-path/core/people/names';
import { FileAction } from '../../../files/FileAction';
import { rollFileAddress, type Span } from './rollFileAddress';

interface RollFilesProps {
  sectionId: string;
  span: Span;
  order: NameOrder;
}

/** A class's roll over some days, lesson by lesson, to keep or to print. */
export function RollFiles({ sectionId, span, order }: RollFilesProps) {
  const address = (format: 'csv' | 'xlsx' | 'html') => rollFileAddress(sectionId, span, format, order);
  return (
    <>
      <FileAction label="CSV" name="Save lesson by lesson as CSV" icon={Download} address={address('csv')} />
      <FileAction
        label="XLSX"
        name="Save lesson by lesson as XLSX"
        icon={Download}
        address={address('xlsx')}
      />
      <FileAction label="Print" icon={Printer} address={address('html')} print />
    </>
  );
}
