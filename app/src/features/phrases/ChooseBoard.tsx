import Check from 'lucide-react-native/icons/check';
import { View } from 'react-native';
import { displayName, shortName } from '@slate-path/core/people/names';
import { Action } from '../../parts/Action';
import { inColumns } from '../../parts/arrange';
import { Card } from '../../parts/Card';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { usePalette, useWide } from '../../theme/theme';
import { space, target } from '../../theme/tokens';
import type { Member } from './members';

interface ChooseBoardProps {
  members: readonly Member[];
  chosen: ReadonlySet<string>;
  onChange: (chosen: ReadonlySet<string>) => void;
}

/** The class as tiles: a tap takes somebody in or leaves them out. */
export function ChooseBoard({ members, chosen, onChange }: ChooseBoardProps) {
  const palette = usePalette();
  const across = useWide() ? 4 : 3;
  const all = chosen.size === members.length;
  return (
    <Card style={{ padding: 0 }}>
      <View role="group" aria-label="Who is meant" style={{ flexDirection: 'row' }}>
        {inColumns(members, across).map((column, at) => (
          <View key={at} style={{ flex: 1, borderLeftWidth: at > 0 ? 1 : 0, borderColor: palette.line }}>
            {column.map(({ student }) => {
              const held = chosen.has(student.id);
              return (
                <TapArea
                  key={student.id}
                  name={displayName(student)}
                  testID="choose-tile"
                  held={held}
                  onTap={() => {
                    const next = new Set(chosen);
                    if (!next.delete(student.id)) next.add(student.id);
                    onChange(next);
                  }}
                  style={{
                    flexDirection: 'row',
                    alignItems: 'center',
                    height: target + 4,
                    paddingLeft: space(3),
                    paddingRight: space(1),
                    borderBottomWidth: 1,
                    borderColor: palette.line,
                    backgroundColor: held ? palette.slateWash : undefined,
                  }}
                >
                  <View style={{ flex: 1 }}>
                    <Words bold={held} tone={held ? 'ink' : 'inkQuiet'} lines={1}>
                      {shortName(student)}
                    </Words>
                  </View>
                  {held ? <Check size={18} color={palette.slate} strokeWidth={2.5} /> : null}
                </TapArea>
              );
            })}
          </View>
        ))}
      </View>
      <View style={{ paddingHorizontal: space(3) }}>
        <Action
          label={all ? 'Nobody' : 'Everyone'}
          style={{ alignSelf: 'flex-start' }}
          onPress={() => {
            onChange(new Set(all ? [] : members.map(({ student }) => student.id)));
          }}
        />
      </View>
    </Card>
  );
}
