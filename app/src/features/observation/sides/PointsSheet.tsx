import { useState } from 'react';
import { View } from 'react-native';
import { readAmount, signed } from '@slate-path/core/observation/sides/amount';
import { counts } from '@slate-path/core/observation/sides/scores';
import type { Game, GamePoint } from '@slate-path/core/records/schema';
import { Action } from '../../../parts/Action';
import { Choice } from '../../../parts/Choice';
import { Field } from '../../../parts/Field';
import { Sheet } from '../../../parts/Sheet';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { usePalette } from '../../../theme/theme';
import { rowHeight } from '../../../theme/tokens';
import { clockAt } from '../tone/toneOf';
import { correctPoint } from './playing';

interface PointsSheetProps {
  game: Game;
  points: readonly GamePoint[];
  nameOf: (studentId: string) => string;
  onClose: () => void;
}

const time = (at: string) => clockAt(Date.parse(at));

interface PointFormProps {
  game: Game;
  point: GamePoint;
  onDone: () => void;
}

/** Sets right what was given: another number (0 for nothing), or another side. */
function PointForm({ game, point, onDone }: PointFormProps) {
  const before = counts(point);
  const [typed, setTyped] = useState(String(before.amount));
  const [side, setSide] = useState(String(before.side));
  const [error, setError] = useState<string>();
  const save = () => {
    const read = readAmount(typed);
    if (read.error !== null) {
      setError(read.error);
      return;
    }
    correctPoint(game, point, { side: Number(side), amount: read.amount });
    onDone();
  };
  return (
    <>
      <Field
        label="Points that count (0 for none)"
        value={typed}
        onChange={setTyped}
        error={error}
        onSubmit={save}
      />
      <Choice
        name="For which side"
        value={side}
        options={game.sides.map(({ name }, at) => ({ value: String(at), label: name }))}
        onChange={setSide}
      />
      <Action label="Set it right" kind="main" onPress={save} />
    </>
  );
}

/** All points that were given, the last first; each can be set right, and what it was stays to be read. */
export function PointsSheet({ game, points, nameOf, onClose }: PointsSheetProps) {
  const palette = usePalette();
  const [open, setOpen] = useState<string | null>(null);
  const sideName = (side: number) => game.sides[side]?.name ?? 'a side that is gone';
  const wordsOf = ({ side, amount, studentId }: GamePoint) =>
    `${sideName(side)} ${signed(amount)}${studentId === null ? '' : `, ${nameOf(studentId)}`}`;
  const corrected = ({ side, amount, corrections }: GamePoint) =>
    corrections.map((to, at) => {
      const was = corrections[at - 1] ?? { side, amount };
      const other = to.side === was.side ? '' : ` for ${sideName(to.side)}`;
      return `${time(to.at)}: ${signed(was.amount)} set right to ${to.amount === 0 ? 'nothing' : signed(to.amount)}${other}`;
    });
  return (
    <Sheet
      title="Points given"
      note="Tap one to set it right. What it was stays on record."
      onClose={onClose}
    >
      {points.length === 0 ? <Words tone="inkQuiet">None were given yet.</Words> : null}
      <View>
        {points.toReversed().map((point) => (
          <View key={point.id} style={{ borderBottomWidth: 1, borderColor: palette.line }}>
            <TapArea
              name={`Set right: ${wordsOf(point)}, ${time(point.at)}`}
              onTap={() => {
                setOpen(open === point.id ? null : point.id);
              }}
              style={{ minHeight: rowHeight, justifyContent: 'center' }}
            >
              <View style={{ flexDirection: 'row', gap: 8 }}>
                <Words figures style={{ flex: 1 }}>
                  {wordsOf(point)}
                </Words>
                <Words tone="inkQuiet" figures>
                  {`round ${point.round}, ${time(point.at)}`}
                </Words>
              </View>
              {corrected(point).map((line) => (
                <Words key={line} size="small" tone="inkQuiet" figures>
                  {line}
                </Words>
              ))}
            </TapArea>
            {open === point.id ? (
              <View style={{ gap: 12, paddingBottom: 16 }}>
                <PointForm
                  game={game}
                  point={point}
                  onDone={() => {
                    setOpen(null);
                  }}
                />
              </View>
            ) : null}
          </View>
        ))}
      </View>
    </Sheet>
  );
}
