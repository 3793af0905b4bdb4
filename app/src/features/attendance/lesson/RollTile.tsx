import { memo } from 'react';
import { View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import { presenceOf } from '@slate-path/core/attendance/roll/presence';
import { isKnown, isPlanned } from '@slate-path/core/attendance/roll/says';
import { meaningWords, rowSpoken, tileWords } from '@slate-path/core/attendance/roll/words';
import { PresenceBar } from '../../../parts/PresenceBar';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette, useWide } from '../../../theme/theme';
import { space } from '../../../theme/tokens';
import { barShape } from '@slate-path/core/attendance/roll/barShape';
import { MoreAbout } from './MoreAbout';
import type { PictureProps } from './studentOnRollProps';

/** Letters that stand in one line of a tile, narrow and wide. */
const shortEnough = { narrow: 14, wide: 18 };

/** A student on the board: the name, the sign, and one word where something is unusual. */
export const RollTile = memo(function RollTile(props: PictureProps) {
  const { lesson, student, mark, standing, rules, meaning, className, name, height, onTap, onMore } = props;
  const palette = usePalette();
  const wide = useWide();
  const presence = presenceOf(lesson, mark, standing, rules);
  const known = isKnown(lesson, mark);
  const words = !known ? '' : isPlanned(lesson, mark) ? 'planned' : tileWords(presence, mark, standing);
  const long = name.length > (wide ? shortEnough.wide : shortEnough.narrow);
  return (
    <View
      {...({ dataSet: { row: '' } } as object)}
      style={{
        height: height ?? undefined,
        flexDirection: 'row',
        alignItems: 'center',
        overflow: 'hidden',
        borderBottomWidth: 1,
        borderColor: palette.line,
      }}
    >
      <TapArea
        id={`row-${student.id}`}
        testID="student-row"
        name={`${displayName(student)}: ${rowSpoken(lesson, presence, mark, standing)}. Tap: ${meaningWords[meaning]}`}
        onTap={() => {
          onTap(lesson, student.id, { meaning, arrivedAt: mark?.arrivedAt ?? null });
        }}
        onHold={() => {
          onMore(student.id);
        }}
        style={{
          flex: 1,
          alignSelf: 'stretch',
          justifyContent: 'center',
          gap: long ? 0 : 3,
          paddingLeft: space(3),
          paddingRight: space(1),
        }}
      >
        <Words
          bold={words !== ''}
          lines={long ? 2 : 1}
          style={long ? { fontSize: 14, lineHeight: 15 } : { lineHeight: 20 }}
        >
          {name}
        </Words>
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2), height: 14 }}>
          <PresenceBar shape={barShape(known ? presence : null)} width={44} height={12} />
          {words || className || mark?.comment ? (
            <Words size="small" figures lines={1} tone={words ? 'ink' : 'inkQuiet'} style={wordsStyle}>
              {[words || className, mark?.comment ? '…' : ''].filter(Boolean).join(' ')}
            </Words>
          ) : null}
        </View>
      </TapArea>
      {wide ? <MoreAbout student={student} onMore={onMore} /> : null}
    </View>
  );
});

const wordsStyle = { flex: 1, lineHeight: 14 } as const;
