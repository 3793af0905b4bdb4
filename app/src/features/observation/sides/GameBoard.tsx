import { useState } from 'react';
import { ScrollView, useWindowDimensions, View } from 'react-native';
import { sidesHistory } from '@slate-path/core/observation/sides/history';
import { mostRounds } from '@slate-path/core/observation/sides/limits';
import { ownPoints } from '@slate-path/core/observation/sides/scores';
import { standingSentence } from '@slate-path/core/observation/sides/standing';
import { displayName } from '@slate-path/core/people/names';
import type { Game, Lesson } from '@slate-path/core/records/schema';
import { Board } from '../../../parts/Board';
import { Choice } from '../../../parts/Choice';
import More from '../../../parts/More';
import { Sheet } from '../../../parts/Sheet';
import { TapArea } from '../../../parts/TapArea';
import { Words } from '../../../parts/Words';
import { TakeBack } from '../../../sync/TakeBack';
import { useRecords } from '../../../sync/useRecords';
import { usePalette, useWide } from '../../../theme/theme';
import { space, target } from '../../../theme/tokens';
import type { LessonRow } from '../../attendance/lesson/lessonRow';
import { useShownNames } from '../../attendance/lesson/useShownNames';
import { AmountTray } from './AmountTray';
import { BigScreenAction } from './BigScreenAction';
import { ClockControl } from './ClockControl';
import { MemberTile } from './MemberTile';
import { endGame, givePoints, removeGame, setGame, useScores } from './playing';
import { PointsSheet } from './PointsSheet';
import { SidesBoard } from './SidesBoard';
import { SideTile } from './SideTile';

interface GameBoardProps {
  game: Game;
  lesson: Lesson;
  rows: readonly LessonRow[];
  /** Another game begins. */
  onAnother: () => void;
}

type Shown = 'sides' | 'students';

/** A tile of a side is no lower, and no higher. */
const tileHeights = { least: 84, most: 200 };

/** A game that goes on: points in hand, a tap on a side or a student gives them. */
export function GameBoard({ game, lesson, rows, onAnother }: GameBoardProps) {
  const palette = usePalette();
  const wide = useWide();
  const window = useWindowDimensions();
  const names = useShownNames(rows);
  const students = useRecords(({ current }) => current.student);
  const { points, scores } = useScores(game);
  const [shown, setShown] = useState<Shown>('sides');
  const [amount, setAmount] = useState(1);
  // Before it is measured: what a phone has around it.
  const [room, setRoom] = useState({ width: window.width, height: window.height - 470 });
  const [open, setOpen] = useState<'points' | 'sides' | null>(null);
  const close = () => {
    setOpen(null);
  };
  const nameOf = (id: string) => names.get(id) ?? (students[id] ? displayName(students[id]) : 'Somebody');
  const own = ownPoints(points);
  const isLed = scores.some(({ place }) => place > 1);
  const across = wide ? Math.min(game.sides.length, 4) : 2;
  const lines = Math.ceil(game.sides.length / across);
  const height = Math.min(Math.max(Math.floor(room.height / lines), tileHeights.least), tileHeights.most);
  // By name, as on every board; whoever came later and is in no side yet is not on it.
  const members = rows.flatMap((row) => {
    const at = game.sides.findIndex(({ studentIds }) => studentIds.includes(row.student.id));
    const side = game.sides[at];
    return side ? [{ id: row.student.id, at, side }] : [];
  });
  return (
    <View style={{ flex: 1 }}>
      <View style={{ paddingHorizontal: space(4), paddingTop: space(2) }}>
        <View style={{ flexDirection: 'row', alignItems: 'center' }}>
          <View style={{ flex: 1 }} aria-live="polite" testID="standing">
            <Words bold>{standingSentence(game, scores)}</Words>
          </View>
          <More
            name="More: the game"
            title={game.name || 'The game'}
            groups={[
              {
                title: 'This game',
                items: [
                  {
                    label: 'Points given, and setting them right',
                    onPress: () => {
                      setOpen('points');
                    },
                  },
                  {
                    label: 'Who is in which side',
                    note: 'Also names and marks. Points stay with their side.',
                    onPress: () => {
                      setOpen('sides');
                    },
                  },
                  {
                    label: 'End the game',
                    note: 'The result stays with the lesson.',
                    onPress: () => {
                      endGame(game);
                    },
                  },
                  {
                    label: 'Remove the game with its points',
                    note: 'Take back brings it back.',
                    onPress: () => {
                      removeGame(game);
                    },
                  },
                ],
              },
              {
                title: 'Another one',
                items: [{ label: 'Begin another game', onPress: onAnother }],
              },
            ]}
          />
        </View>
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(3), minHeight: target }}>
          <Words figures testID="round">{`Round ${game.round}`}</Words>
          <TapArea
            name={`Next round: ${game.round + 1}`}
            onTap={() => {
              if (game.round < mostRounds) setGame(game, { round: game.round + 1 });
            }}
            style={{ minHeight: target, justifyContent: 'center' }}
          >
            <Words bold tone="slate">
              Next round
            </Words>
          </TapArea>
          <View style={{ flex: 1 }} />
          <ClockControl game={game} />
        </View>
      </View>
      {shown === 'sides' ? (
        <ScrollView
          style={{ flex: 1, borderTopWidth: 1, borderColor: palette.line, backgroundColor: palette.surface }}
          onLayout={({ nativeEvent: { layout } }) => {
            setRoom(layout);
          }}
        >
          <View role="group" aria-label="Sides" style={{ flexDirection: 'row', flexWrap: 'wrap' }}>
            {scores.map((score) => {
              const side = game.sides[score.side];
              return side ? (
                <SideTile
                  key={score.side}
                  side={side}
                  score={score}
                  leads={isLed && score.place === 1}
                  amount={amount}
                  width={Math.floor(room.width / across)}
                  height={height}
                  onTap={() => {
                    givePoints(game, score.side, amount, null);
                  }}
                />
              ) : null;
            })}
          </View>
        </ScrollView>
      ) : (
        <Board
          name="Students of the sides"
          tiles={members}
          tile={({ id, at, side }, size) => (
            <MemberTile
              key={id}
              name={nameOf(id)}
              side={side}
              own={own.get(id) ?? 0}
              amount={amount}
              height={size.height}
              onTap={() => {
                givePoints(game, at, amount, id);
              }}
            />
          )}
        />
      )}
      <View
        style={{
          gap: space(2),
          padding: space(3),
          borderTopWidth: 1,
          borderColor: palette.line,
          backgroundColor: palette.surface,
        }}
      >
        <AmountTray amount={amount} onAmount={setAmount} />
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: space(2) }}>
          <View style={{ flex: 1, maxWidth: 320 }}>
            <Choice
              name="A tap is for"
              value={shown}
              options={[
                { value: 'sides', label: 'sides' },
                { value: 'students', label: 'students' },
              ]}
              onChange={setShown}
            />
          </View>
          <TakeBack about={sidesHistory(game.lessonId)} small always />
          <BigScreenAction lesson={lesson} small />
        </View>
      </View>
      {open === 'points' ? <PointsSheet game={game} points={points} nameOf={nameOf} onClose={close} /> : null}
      {open === 'sides' ? (
        <Sheet title="Who is in which side" onClose={close}>
          <SidesBoard
            sides={game.sides}
            studentIds={rows.map(({ student }) => student.id)}
            nameOf={nameOf}
            onChange={(sides) => {
              setGame(game, { sides });
            }}
          />
        </Sheet>
      ) : null}
    </View>
  );
}
