import Pencil from 'lucide-react-native/icons/pencil';
import { View } from 'react-native';
import { levels } from '@slate-path/core/observation/sweep/levels';
import { Action } from '../../../parts/Action';
import { IconAction } from '../../../parts/IconAction';
import { OarMarks } from '../../../parts/OarMarks';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { TakeBack } from '../../../sync/TakeBack';
import { usePalette } from '../../../theme/theme';
import { radius, space } from '../../../theme/tokens';

interface SweepFooterProps {
  levelNames: readonly string[];
  /** The level that a tap on a student gives. */
  hand: number;
  set: number;
  here: number;
  /** Who takes no part, by name. */
  adrift: readonly string[];
  /** Whose changes are taken back. */
  history: string;
  onHand: (level: number) => void;
  /** Gives the level in hand to all who have none yet; to all where everyone has one. */
  onRest: () => void;
  onRename: () => void;
  /** A sentence to each of those who take no part. */
  onWrite: () => void;
}

/** The level in hand, and everyone at it with one tap. */
export function SweepFooter(props: SweepFooterProps) {
  const { levelNames, hand, set, here, adrift, history, onHand, onRest, onRename, onWrite } = props;
  const palette = usePalette();
  const nameOf = (level: number) => levelNames[level] ?? '';
  const who = set > 0 && set < here ? 'The rest' : 'Everyone';
  return (
    <View
      style={{
        paddingHorizontal: space(3),
        paddingVertical: space(2),
        gap: space(1),
        borderTopWidth: 1,
        borderColor: palette.line,
        backgroundColor: palette.surface,
      }}
    >
      <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(1), height: 52 }}>
        <View style={{ flex: 1 }} aria-live="polite" testID="sweep-summary">
          {adrift.length > 0 ? (
            <TapArea
              name={`Write about ${adrift.length} ${nameOf(0).toLowerCase()}`}
              onTap={onWrite}
              style={{ minHeight: 52, justifyContent: 'center' }}
            >
              <Words bold size="small">{`${set} of ${here} set`}</Words>
              <Words size="small" bold tone="slate" lines={1}>
                {`Write about ${nameOf(0).toLowerCase()}: ${adrift.join(', ')}`}
              </Words>
            </TapArea>
          ) : (
            <Words bold size="small">
              {set === 0 ? `Tap who is ${nameOf(hand).toLowerCase()}, or` : `${set} of ${here} set`}
            </Words>
          )}
        </View>
        <TakeBack about={history} small />
        <IconAction name="Rename the levels" icon={Pencil} tone="inkQuiet" onPress={onRename} />
        <Action label={who} name={`${who} ${nameOf(hand)}`} kind="main" onPress={onRest} />
      </View>
      <View role="group" aria-label="The level that a tap gives" style={{ flexDirection: 'row' }}>
        {levels.map((level) => {
          const held = level === hand;
          return (
            <TapArea
              key={level}
              name={nameOf(level)}
              held={held}
              onTap={() => {
                onHand(level);
              }}
              style={{
                flex: 1,
                minHeight: 52,
                alignItems: 'center',
                justifyContent: 'center',
                borderWidth: 1,
                marginLeft: level === 0 ? 0 : -1,
                borderTopLeftRadius: level === 0 ? radius.control : 0,
                borderBottomLeftRadius: level === 0 ? radius.control : 0,
                borderTopRightRadius: level === 3 ? radius.control : 0,
                borderBottomRightRadius: level === 3 ? radius.control : 0,
                borderColor: held ? palette.slate : palette.line,
                backgroundColor: held ? palette.slate : palette.surface,
              }}
            >
              <OarMarks level={level} tone={held ? 'onSlate' : 'inkQuiet'} />
              <Words size="small" lines={1} bold={held} tone={held ? 'onSlate' : 'ink'}>
                {nameOf(level)}
              </Words>
            </TapArea>
          );
        })}
      </View>
    </View>
  );
}
