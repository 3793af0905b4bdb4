import { View } from 'react-native';
import { inLines } from '../../parts/arrange';
import { TapArea } from '../../parts/TapArea';
import { Words } from '../../parts/Words';
import { usePalette, useWide } from '../../theme/theme';
import { radius, space, target } from '../../theme/tokens';

interface ReasonTrayProps {
  reasons: readonly { id: string; name: string }[];
  heldId: string | null;
  onHold: (id: string) => void;
}

/** What a nod is for, under the thumb; the one in hand is filled. */
export function ReasonTray({ reasons, heldId, onHold }: ReasonTrayProps) {
  const palette = usePalette();
  const across = useWide() ? 5 : 3;
  return (
    <View role="group" aria-label="What a nod is for" style={{ gap: space(1) }}>
      {inLines(reasons, across).map((line) => (
        <View key={line[0]?.id} style={{ flexDirection: 'row', gap: space(1) }}>
          {line.map(({ id, name }) => {
            const held = id === heldId;
            return (
              <TapArea
                key={id}
                name={name}
                testID="reason"
                held={held}
                onTap={() => {
                  onHold(id);
                }}
                style={{
                  flex: 1,
                  minHeight: target,
                  justifyContent: 'center',
                  paddingHorizontal: space(2),
                  borderWidth: 1,
                  borderRadius: radius.control,
                  borderColor: held ? palette.slate : palette.line,
                  backgroundColor: held ? palette.slate : palette.surface,
                }}
              >
                <Words bold={held} tone={held ? 'onSlate' : 'ink'} lines={2} style={words}>
                  {name}
                </Words>
              </TapArea>
            );
          })}
          {Array.from({ length: across - line.length }, (_, empty) => (
            <View
              key={empty}
              style={{ flex: 1, paddingHorizontal: space(2), borderWidth: 1, borderColor: 'transparent' }}
            />
          ))}
        </View>
      ))}
    </View>
  );
}

const words = { fontSize: 14, lineHeight: 17 } as const;
