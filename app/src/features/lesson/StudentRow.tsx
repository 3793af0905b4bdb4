import EllipsisVertical from 'lucide-react-native/icons/ellipsis-vertical';
import { memo } from 'react';
import { Pressable, View } from 'react-native';
import { displayName } from '@slate-path/core/people/names';
import type { RollRow } from '@slate-path/core/roll/rollRows';
import type { TapMeaning } from '@slate-path/core/roll/tap';
import { meaningWords, presenceSpoken, presenceWords } from '@slate-path/core/roll/words';
import { IconAction } from '../../parts/IconAction';
import { PresenceBar } from '../../parts/PresenceBar';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { rowHeight, space } from '../../theme/tokens';
import { barShape } from './barShape';

interface StudentRowProps {
  row: RollRow;
  taken: boolean;
  meaning: TapMeaning;
  onTap: (row: RollRow) => void;
  onMore: (row: RollRow) => void;
}

/** Two rows are the same picture when nothing in them that shows has changed. */
function same(a: StudentRowProps, b: StudentRowProps): boolean {
  return (
    a.row.student === b.row.student &&
    a.row.mark === b.row.mark &&
    a.row.standing === b.row.standing &&
    a.taken === b.taken &&
    a.meaning === b.meaning &&
    a.onTap === b.onTap &&
    a.onMore === b.onMore
  );
}

/** A student on the roll: the whole row is the tap; what is unusual is said in words. */
export const StudentRow = memo(function StudentRow({ row, taken, meaning, onTap, onMore }: StudentRowProps) {
  const palette = usePalette();
  const { student, mark, standing, presence } = row;
  const name = displayName(student);
  const words = taken ? presenceWords(presence, mark, standing) : '';
  const spoken = taken ? presenceSpoken(presence, mark, standing) : 'not taken';
  return (
    <View
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        minHeight: rowHeight,
        borderBottomWidth: 1,
        borderColor: palette.line,
        paddingRight: space(1),
      }}
    >
      <Pressable
        id={`row-${student.id}`}
        testID="student-row"
        role="button"
        aria-label={`${name}: ${spoken}. Tap: ${meaningWords[meaning]}`}
        onPress={() => {
          onTap(row);
        }}
        style={({ pressed }) => ({
          flex: 1,
          flexDirection: 'row',
          alignItems: 'center',
          minHeight: rowHeight,
          paddingLeft: space(4),
          gap: space(2),
          backgroundColor: pressed ? palette.slateWash : 'transparent',
        })}
      >
        <View style={{ flex: 1, paddingVertical: space(1) }}>
          <Words size="name" bold={words !== ''} lines={2}>
            {name}
          </Words>
          {mark?.comment ? (
            <Words size="small" tone="inkQuiet" lines={1}>
              {mark.comment}
            </Words>
          ) : null}
        </View>
        <View style={{ width: 112, gap: 2 }}>
          <PresenceBar shape={barShape(taken ? presence : null)} />
          {words ? (
            <Words size="small" figures lines={1}>
              {words}
            </Words>
          ) : null}
        </View>
      </Pressable>
      <IconAction
        name={`More about ${name}`}
        icon={EllipsisVertical}
        tone="inkQuiet"
        onPress={() => {
          onMore(row);
        }}
      />
    </View>
  );
}, same);
