import { memo } from 'react';
import { View } from 'react-native';
import Svg, { Circle } from 'react-native-svg';
import { displayName } from '@slate-path/core/people/names';
import type { Student } from '@slate-path/core/records/schema';
import { many } from '@slate-path/core/words/many';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { usePalette } from '../../theme/theme';
import { space } from '../../theme/tokens';

interface NodTileProps {
  student: Student;
  /** As it stands on the board. */
  name: string;
  /** In this lesson, and in the last four weeks. */
  here: number;
  lately: number;
  away: boolean;
  /** What a tap gives a nod for. */
  reason: string;
  height: number;
  onTap: (studentId: string) => void;
}

const mostSigns = 4;
const sign = 12;

/** So many nods as the path has them: filled rounds; more than four as a number. */
function NodSigns({ count }: { count: number }) {
  const palette = usePalette();
  const shown = Math.min(count, mostSigns);
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(1) }}>
      <Svg width={shown * sign} height={sign}>
        {Array.from({ length: shown }, (_, at) => (
          <Circle key={at} cx={at * sign + 5} cy={sign / 2} r={4.5} fill={palette.lichen} />
        ))}
      </Svg>
      {count > mostSigns ? (
        <Words size="small" figures style={{ lineHeight: 16 }}>
          {String(count)}
        </Words>
      ) : null}
    </View>
  );
}

/** A student on the board of nods: the name, the nods of this lesson, and quietly those of the last weeks. */
export const NodTile = memo(function NodTile(props: NodTileProps) {
  const { student, name, here, lately, away, reason, height, onTap } = props;
  const palette = usePalette();
  const said = `${displayName(student)}${away ? ', away' : ''}: ${many(here, 'nod')} here, ${lately} in four weeks`;
  return (
    <TapArea
      id={`nod-${student.id}`}
      testID="nod-tile"
      name={`${said}. Tap: ${reason}`}
      onTap={() => {
        onTap(student.id);
      }}
      style={{
        height,
        justifyContent: 'center',
        overflow: 'hidden',
        paddingLeft: space(3),
        paddingRight: space(2),
        borderBottomWidth: 1,
        borderColor: palette.line,
        backgroundColor: here > 0 ? palette.slateWash : undefined,
      }}
    >
      <Words bold={here > 0} tone={away ? 'inkQuiet' : 'ink'} lines={1} style={{ lineHeight: 20 }}>
        {name}
      </Words>
      <View style={{ flexDirection: 'row', alignItems: 'center', height: 18 }}>
        {here > 0 ? <NodSigns count={here} /> : null}
        <View style={{ flex: 1 }} />
        {lately > 0 ? (
          <Words size="small" tone="inkQuiet" figures style={{ lineHeight: 16 }}>
            {String(lately)}
          </Words>
        ) : null}
      </View>
    </TapArea>
  );
});
