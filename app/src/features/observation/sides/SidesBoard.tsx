import Pencil from 'lucide-react-native/icons/pencil';
import { useState } from 'react';
import { View } from 'react-native';
import { many } from '@slate-path/core/words/many';
import { IconAction } from '../../../parts/IconAction';
import { SideMark } from '../../../parts/SideMark';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette, useWide } from '../../../theme/theme';
import { radius, space, target } from '../../../theme/tokens';
import type { Side } from './playing';
import { SideSheet } from './SideSheet';

interface SidesBoardProps {
  sides: readonly Side[];
  /** Everybody who could be in one. */
  studentIds: readonly string[];
  nameOf: (studentId: string) => string;
  onChange: (sides: Side[]) => void;
}

interface MemberProps {
  name: string;
  held: boolean;
  onTap: () => void;
}

function Member({ name, held, onTap }: MemberProps) {
  const palette = usePalette();
  return (
    <TapArea
      name={name}
      held={held}
      onTap={onTap}
      style={{
        minHeight: target,
        minWidth: target,
        justifyContent: 'center',
        paddingHorizontal: space(2),
        borderRadius: radius.control,
        backgroundColor: held ? palette.slate : undefined,
      }}
    >
      <Words bold={held} tone={held ? 'onSlate' : 'ink'}>
        {name}
      </Words>
    </TapArea>
  );
}

/** Who is in which side: students are taken in hand by a tap, and go where is tapped next. */
export function SidesBoard({ sides, studentIds, nameOf, onChange }: SidesBoardProps) {
  const palette = usePalette();
  const wide = useWide();
  const [hand, setHand] = useState<readonly string[]>([]);
  const [renaming, setRenaming] = useState<number | null>(null);
  const placed = new Set(sides.flatMap((side) => side.studentIds));
  const pool = studentIds.filter((id) => !placed.has(id));
  const put = (to: number | null) => {
    onChange(
      sides.map((side, at) => {
        const rest = side.studentIds.filter((id) => !hand.includes(id));
        return { ...side, studentIds: at === to ? [...rest, ...hand] : rest };
      }),
    );
    setHand([]);
  };
  const members = (ids: readonly string[]) => (
    <View style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
      {ids.map((id) => (
        <Member
          key={id}
          name={nameOf(id)}
          held={hand.includes(id)}
          onTap={() => {
            setHand(hand.includes(id) ? hand.filter((one) => one !== id) : [...hand, id]);
          }}
        />
      ))}
    </View>
  );
  const goesTo = (name: string, to: number | null) => (
    <TapArea
      name={`Put ${many(hand.length, 'student')} here: ${name}`}
      onTap={() => {
        put(to);
      }}
      style={{ minHeight: target, justifyContent: 'center', paddingHorizontal: space(2) }}
    >
      <Words bold tone="slate">
        Put here
      </Words>
    </TapArea>
  );
  const card = {
    borderWidth: 1,
    borderColor: palette.line,
    borderRadius: radius.card,
    backgroundColor: palette.surface,
    paddingHorizontal: space(2),
    paddingBottom: space(1),
    width: wide ? 300 : undefined,
  } as const;
  return (
    <View style={{ gap: space(3) }}>
      <Words tone="inkQuiet" live>
        {hand.length > 0
          ? `${hand.map(nameOf).join(', ')} in hand: put them where they go.`
          : pool.length > 0
            ? 'Tap students, then where they go.'
            : 'Tap students to move them to another side.'}
      </Words>
      <View style={{ flexDirection: wide ? 'row' : 'column', flexWrap: 'wrap', gap: space(3) }}>
        {pool.length > 0 || hand.length > 0 ? (
          <View style={card}>
            <View style={{ flexDirection: 'row', alignItems: 'center', minHeight: target }}>
              <Words bold style={{ flex: 1, paddingLeft: space(2) }}>
                {pool.length > 0 ? `In no side: ${pool.length}` : 'In no side: nobody'}
              </Words>
              {hand.some((id) => placed.has(id)) ? goesTo('in no side', null) : null}
            </View>
            {members(pool)}
          </View>
        ) : null}
        {sides.map((side, at) => (
          <View key={at} style={card} testID="side">
            <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2), minHeight: target }}>
              <View style={{ paddingLeft: space(2) }}>
                <SideMark mark={side.mark} size={22} color={palette.ink} />
              </View>
              <Words bold style={{ flex: 1 }} lines={1}>
                {`${side.name}: ${side.studentIds.length === 0 ? 'nobody' : side.studentIds.length}`}
              </Words>
              {hand.length > 0 ? (
                goesTo(side.name, at)
              ) : (
                <IconAction
                  name={`Name and mark of ${side.name}`}
                  icon={Pencil}
                  tone="inkQuiet"
                  onPress={() => {
                    setRenaming(at);
                  }}
                />
              )}
            </View>
            {members(side.studentIds)}
          </View>
        ))}
      </View>
      {renaming !== null && sides[renaming] ? (
        <SideSheet
          side={sides[renaming]}
          taken={sides.filter((_, at) => at !== renaming)}
          onSave={(side) => {
            onChange(sides.map((one, at) => (at === renaming ? { ...one, ...side } : one)));
            setRenaming(null);
          }}
          onClose={() => {
            setRenaming(null);
          }}
        />
      ) : null}
    </View>
  );
}
