import { memo } from 'react';
import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import { presenceOf } from '@slate-path/core/attendance/roll/presence';
import { isKnown, isPlanned } from '@slate-path/core/attendance/roll/says';
import { meaningWords, presenceWords, rowSpoken } from '@slate-path/core/attendance/roll/words';
import { PresenceBar } from '../../../parts/PresenceBar';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { rowHeight, space } from '../../../theme/tokens';
import { barShape } from '@slate-path/core/attendance/roll/barShape';
import { MoreAbout } from './MoreAbout';
import type { PictureProps } from './studentOnRollProps';

/** The whole row is the tap; what is unusual is said in words. */
export const StudentRow = memo(function StudentRow(props: PictureProps) {
  const { lesson, student, mark, standing, rules, meaning, className, onTap, onMore } = props;
  const palette = usePalette();
  const presence = presenceOf(lesson, mark, standing, rules);
  const name = displayName(student);
  const known = isKnown(lesson, mark);
  const words = known ? presenceWords(presence, mark, standing) : '';
  const spoken = rowSpoken(lesson, presence, mark, standing);
  const underName = [isPlanned(lesson, mark) ? 'planned' : '', mark?.comment ?? '']
    .filter(Boolean)
    .join(' · ');
  return (
    <View
      {...({ dataSet: { row: '' } } as object)}
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        minHeight: rowHeight,
        borderBottomWidth: 1,
        borderColor: palette.line,
        paddingRight: space(1),
      }}
    >
      <TapArea
        id={`row-${student.id}`}
        testID="student-row"
        name={`${name}: ${spoken}. Tap: ${meaningWords[meaning]}`}
        onTap={() => {
          onTap(lesson, student.id, { meaning, arrivedAt: mark?.arrivedAt ?? null });
        }}
        style={{
          flex: 1,
          flexDirection: 'row',
          alignItems: 'center',
          minHeight: rowHeight,
          paddingLeft: space(4),
          gap: space(2),
        }}
      >
        <View style={{ flex: 1, paddingVertical: space(1) }}>
          <Words size="name" bold={words !== ''} lines={2}>
            {name}
          </Words>
          {className ? (
            <Words size="small" tone="inkQuiet" lines={1}>
              {className}
            </Words>
          ) : null}
          {underName ? (
            <Words size="small" tone="inkQuiet" lines={1}>
              {underName}
            </Words>
          ) : null}
        </View>
        <View style={{ width: 112, gap: 2 }}>
          <PresenceBar shape={barShape(known ? presence : null)} />
          {words ? (
            <Words size="small" figures lines={1}>
              {words}
            </Words>
          ) : null}
        </View>
      </TapArea>
      <MoreAbout student={student} onMore={onMore} />
    </View>
  );
});
