import { View } from 'react-native';
import { addressOf, type Address } from '@slate-path/core/api/address';
import { Action } from '../../../parts/Action';
import { Card } from '../../../parts/Card';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { rowHeight, space } from '../../../theme/tokens';
import { usePaperSize } from '../../../files/paperSize';
import { useNameOrder } from '../../../sync/nameOrder';

interface FilesOfClassProps {
  sectionId: string;
  name: string;
  from: string;
  to: string;
  busy: boolean;
  onGive: (address: Address) => void;
}

interface Line {
  label: string;
  note: string;
  /** What a tap does, on the button, and for those who listen. */
  does: string;
  address: Address;
}

function Lines({
  title,
  lines,
  busy,
  onGive,
}: { title: string; lines: readonly Line[] } & Pick<FilesOfClassProps, 'busy' | 'onGive'>) {
  const palette = usePalette();
  return (
    <Card style={{ gap: space(1) }}>
      <Words size="large" serif heading={2}>
        {title}
      </Words>
      {lines.map(({ label, note, does, address }, at) => (
        <View
          key={label}
          style={{
            ...{ flexDirection: 'row', alignItems: 'center', gap: space(3), minHeight: rowHeight },
            ...{ borderTopWidth: at > 0 ? 1 : 0, borderColor: palette.line, paddingVertical: space(1) },
          }}
        >
          <View style={{ flex: 1 }}>
            <Words bold>{label}</Words>
            <Words size="small" tone="inkQuiet">
              {note}
            </Words>
          </View>
          <Action
            label={does}
            name={`${does}: ${label}`}
            disabled={busy}
            onPress={() => {
              onGive(address);
            }}
          />
        </View>
      ))}
    </Card>
  );
}

/** What a class gives out besides reports: sheets of paper, workbooks, and the class itself. */
export function FilesOfClass({ sectionId, name, from, to, busy, onGive }: FilesOfClassProps) {
  const order = useNameOrder();
  const paper = usePaperSize();
  const pdf = { sectionId, from, to, order, paper, format: 'pdf' as const };
  const sheets = [
    {
      ...{ label: 'Register', note: 'Lesson by lesson, as many as a sheet has room for', does: 'PDF' },
      address: addressOf('rollFile', { ...pdf, detail: 'lessons' }),
    },
    {
      ...{ label: 'Totals', note: 'A student a line: late, away, excused, percent', does: 'PDF' },
      address: addressOf('rollFile', { ...pdf, detail: 'totals' }),
    },
    {
      ...{ label: 'Counts', note: 'A look-for a sheet, with its chart and every lesson', does: 'PDF' },
      address: addressOf('countsFile', pdf),
    },
    {
      ...{ label: 'The class without names', note: 'Work and activity, beside what is usual', does: 'PDF' },
      address: addressOf('workFile', pdf),
    },
  ];
  const days = { from, to, order };
  const books = [
    {
      ...{ label: name, note: 'Attendance, totals, counts, engagement, work, contact', does: 'XLSX' },
      address: addressOf('workbook', { ...days, sectionId }),
    },
    {
      ...{ label: 'All my classes', note: 'The same, every class in one workbook', does: 'XLSX' },
      address: addressOf('workbook', days),
    },
  ];
  const over = [
    {
      label: 'To a colleague elsewhere',
      note: 'All that was recorded of it, in one file that they bring in under Desk, Everything as a file. Your own notes, letters and summaries stay with you. At your own school share the class instead.',
      ...{ does: 'Zip', address: addressOf('archive', { sectionId }) },
    },
  ];
  const giving = { busy, onGive };
  return (
    <>
      <Lines title="Sheets" lines={sheets} {...giving} />
      <Lines title="A workbook" lines={books} {...giving} />
      <Lines title="Hand the class over" lines={over} {...giving} />
    </>
  );
}
