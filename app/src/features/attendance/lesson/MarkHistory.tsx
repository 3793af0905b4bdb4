import { View } from 'react-native';
import { addressOf } from '@slate-path/core/api/address';
import { localMoment } from '@slate-path/core/calendar/zone';
import type { Mark } from '@slate-path/core/records/schema';
import { markId } from '@slate-path/core/attendance/roll/markId';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { zoneOf } from '../../../sync/clock';
import { newId } from '../../../sync/outbox';
import { deviceName } from '../../../sync/device';
import { useRecords } from '../../../sync/useRecords';
import { useView } from '../../../sync/views';

/** What was marked for one student in one lesson, by which device, and when; latest first. */
export default function MarkHistory({ lessonId, studentId }: { lessonId: string; studentId: string }) {
  const palette = usePalette();
  const { answer } = useView(addressOf('lessonHistory', { lessonId }));
  const standings = useRecords((state) => state.current.standing);
  const zone = useRecords((state) => zoneOf(Object.values(state.current.school)[0]));
  const mine = deviceName(newId);
  const id = markId(lessonId, studentId);
  const lines = (answer?.lines ?? []).flatMap((line) => {
    const edit = line.edits.find((e) => e.table === 'mark' && e.id === id);
    return edit ? [{ line, edit }] : [];
  });
  if (lines.length === 0) return null;
  const words = (after: Partial<Mark>) => {
    if (after.comment !== undefined) return after.comment === '' ? 'comment removed' : `“${after.comment}”`;
    if (after.standingId === undefined) return 'no change';
    const name = after.standingId ? (standings[after.standingId]?.name ?? 'Another standing') : 'Here';
    return [name, after.arrivedAt && `from ${after.arrivedAt}`, after.leftAt && `to ${after.leftAt}`]
      .filter(Boolean)
      .join(' ');
  };
  return (
    <View style={{ gap: space(2), borderTopWidth: 1, borderColor: palette.line, paddingTop: space(3) }}>
      <Words bold heading={3}>
        What was marked
      </Words>
      {lines.map(({ line, edit }) => {
        const { date, time } = localMoment(Date.parse(line.madeAt), zone);
        const who = line.device === mine ? 'this device' : 'another device';
        const taken = line.kind === 'undo' ? 'Taken back: ' : '';
        const overruled = edit.overruled.length > 0 ? ', overruled by a later mark' : '';
        return (
          <Words key={line.id} size="small" tone="inkQuiet" figures>
            {`${date} ${time}, ${who}: ${taken}${words(edit.after)}${overruled}`}
          </Words>
        );
      })}
    </View>
  );
}
